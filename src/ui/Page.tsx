'use client'
import Link from 'next/link'
import type { ReactNode } from 'react'
import styled from 'styled-components'
import { createContext, useContext } from 'react'
import { useHydrated } from './lazyPart'
import type { UnitSystem } from '@/core/document'
import { DeviceSettings } from './DeviceSettings'
import { caption, PHONE } from './GlobalStyle'

export const Header = styled.header`
  display: flex;
  align-items: center;
  gap: 20px;
  min-height: 48px;
  padding: 4px 16px;
  border-bottom: 1px solid var(--hairline);
  background: var(--raised);
  ${PHONE} {
    flex-wrap: wrap;
    gap: 4px 10px;
    padding: 4px 10px;
  }
  @media print {
    display: none;
  }
`
export const Brand = styled(Link)`
  font-weight: 800;
  font-stretch: 115%;
  font-size: 17px;
  color: var(--dye);
  text-decoration: none;
  ${PHONE} {
    font-size: 15px;
    span {
      display: none;
    }
  }
`
const Trail = styled.nav`
  display: flex;
  align-items: baseline;
  gap: 14px;
  min-width: 0;
  flex: 1 1 120px;
  white-space: nowrap;
  overflow: hidden;
  a {
    color: var(--ink);
    text-decoration: none;
    &:hover {
      text-decoration: underline;
    }
  }
  a[aria-current] {
    font-weight: 600;
  }
  ${PHONE} {
    gap: 10px;
    font-size: 13px;
    span {
      display: none;
    }
  }
  span {
    color: var(--quiet);
    overflow: hidden;
    text-overflow: ellipsis;
  }
`

export interface Crumb {
  readonly href: string
  readonly words: string
}

/** What every page's bar shows beside its own: who puts the pages together gives it. */
export const BarAside = createContext<ReactNode>(null)

/** The bar on top of every page: where one is, and what this device prefers. */
export function TopBar({
  trail = [],
  note,
  ownSystem,
  buildId,
  children,
}: {
  trail?: readonly Crumb[]
  note?: string
  ownSystem?: UnitSystem
  buildId?: string
  children?: ReactNode
}) {
  return (
    <Header data-hydrated={useHydrated() || undefined}>
      <Brand href="/" prefetch={false} aria-label="Kalibros, shop board">
        K<span>alibros</span>
      </Brand>
      <Trail aria-label="Where you are">
        {trail.map(({ href, words }, index) => (
          <Link key={href} href={href} prefetch={false} aria-current={index === trail.length - 1 ? 'page' : undefined}>
            {words}
          </Link>
        ))}
        {note && <span>{note}</span>}
      </Trail>
      {children}
      {useContext(BarAside)}
      <DeviceSettings ownSystem={ownSystem} buildId={buildId} />
    </Header>
  )
}

export const Main = styled.main`
  max-width: 1120px;
  margin: 0 auto;
  padding: 24px 24px 64px;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 28px;
  ${PHONE} {
    padding: 16px 14px 48px;
    gap: 22px;
  }
`
export const Title = styled.h1`
  font-size: 28px;
  line-height: 1.15;
  font-weight: 700;
  letter-spacing: -0.01em;
`
/** A title for those who hear the page; the bar already shows it to those who see it. */
export const SpokenTitle = styled.h1`
  position: absolute;
  width: 1px;
  height: 1px;
  overflow: hidden;
  clip-path: inset(50%);
`
export const Lead = styled.p`
  font-size: 16px;
  color: var(--quiet);
  max-width: 68ch;
`
export const SectionTitle = styled.h2`
  ${caption}
`
export const Section = styled.section`
  display: grid;
  gap: 12px;
`
export const Card = styled.div`
  border: 1px solid var(--hairline);
  border-radius: 4px;
  background: var(--raised);
  padding: 16px;
`
export const Notice = styled.p`
  padding: 10px 14px;
  border-left: 3px solid var(--dye);
  background: var(--raised);
  &[data-tone='bad'] {
    border-color: var(--out);
  }
  &[data-tone='good'] {
    border-color: var(--within);
  }
`
