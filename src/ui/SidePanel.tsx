'use client'
import { X } from 'lucide-react'
import type { ReactNode } from 'react'
import { Button as AriaButton, Dialog, Heading, Modal, ModalOverlay } from 'react-aria-components'
import styled from 'styled-components'
import { PHONE } from './GlobalStyle'

const Overlay = styled(ModalOverlay)`
  position: fixed;
  inset: 0;
  z-index: 20;
  background: color-mix(in srgb, var(--ink) 30%, transparent);
`
const Sheet = styled(Modal)`
  position: absolute;
  inset: 0 0 0 auto;
  width: min(560px, 100vw);
  background: var(--raised);
  border-left: 2px solid var(--dye);
  overflow: auto;
  ${PHONE} {
    inset: 48px 0 0 0;
    width: auto;
    border-left: 0;
    border-top: 2px solid var(--dye);
  }
`
const Body = styled(Dialog)`
  padding: 20px 24px 32px;
  outline: none;
  display: grid;
  gap: 16px;
`
const Top = styled.div`
  display: flex;
  align-items: start;
  justify-content: space-between;
  gap: 16px;
  h2 {
    font-size: 20px;
    line-height: 1.25;
  }
`
const Close = styled(AriaButton)`
  flex: none;
  display: grid;
  place-items: center;
  width: 40px;
  height: 40px;
  border: 1px solid transparent;
  border-radius: 3px;
  background: none;
  cursor: pointer;
  &[data-hovered] {
    border-color: var(--edge);
  }
`

/** A sheet drawn out from the right: the sum of a finding, the history of a place, the keys. Escape puts it back. */
export function SidePanel({
  title,
  isOpen,
  onClose,
  children,
}: {
  title: string
  isOpen: boolean
  onClose: () => void
  children: ReactNode
}) {
  return (
    <Overlay isOpen={isOpen} onOpenChange={(open) => !open && onClose()} isDismissable>
      <Sheet>
        <Body>
          <Top>
            <Heading slot="title" level={2}>
              {title}
            </Heading>
            <Close onPress={onClose} aria-label="Close">
              <X size={20} aria-hidden />
            </Close>
          </Top>
          {children}
        </Body>
      </Sheet>
    </Overlay>
  )
}
