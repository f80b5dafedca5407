'use client'
import NextLink from 'next/link'
import type { ReactNode } from 'react'
import { Button as AriaButton, type ButtonProps } from 'react-aria-components'
import styled, { css } from 'styled-components'

const look = css`
  display: inline-flex;
  align-items: center;
  justify-content: center;
  gap: 8px;
  min-height: 40px;
  padding: 0 16px;
  border: 1px solid var(--edge);
  border-radius: 3px;
  background: var(--raised);
  color: var(--ink);
  font-weight: 500;
  text-decoration: none;
  cursor: pointer;
  &[data-hovered],
  &:hover {
    border-color: var(--dye);
  }
  &[data-pressed] {
    background: var(--dye-wash);
  }
  &[data-disabled] {
    opacity: 0.5;
    cursor: default;
  }
  &[data-kind='primary'] {
    background: var(--scribe);
    border-color: var(--scribe);
    color: var(--on-scribe);
  }
  &[data-kind='plain'] {
    border-color: transparent;
    background: transparent;
    padding: 0 8px;
    color: var(--dye);
  }
  &[aria-current] {
    border-color: var(--dye);
    background: var(--dye-wash);
  }
  &[data-size='small'] {
    min-height: 28px;
    padding: 0 10px;
    font-size: 13px;
  }
`
const StyledButton = styled(AriaButton)`
  ${look}
`
const StyledLink = styled(NextLink)`
  ${look}
`

interface Look {
  readonly kind?: 'primary' | 'plain'
  readonly size?: 'small'
}

export function Button({ kind, size, ...props }: ButtonProps & Look) {
  return <StyledButton data-kind={kind} data-size={size} {...props} />
}

export function LinkButton({ kind, size, ...props }: { href: string; children: ReactNode; prefetch?: boolean } & Look) {
  return <StyledLink data-kind={kind} data-size={size} {...props} />
}
