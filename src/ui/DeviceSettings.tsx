'use client'
import { memo, useState } from 'react'
import { Button as AriaButton } from 'react-aria-components'
import styled from 'styled-components'
import type { UnitSystem } from '@/core/document'
import { initialsFrom, MOST_INITIALS } from '@/core/document/initials'
import { PHONE } from './GlobalStyle'
import { useRefresh } from './useRefresh'
import { useDevice } from './device'

const Box = styled.div`
  display: flex;
  align-items: center;
  gap: 4px;
  margin-left: auto;
`
const Toggle = styled(AriaButton)`
  min-height: 32px;
  min-width: 32px;
  padding: 0 8px;
  border: 1px solid transparent;
  border-radius: 3px;
  background: none;
  cursor: pointer;
  color: var(--ink);
  &[data-hovered] {
    border-color: var(--edge);
  }
  b {
    font-weight: 700;
    color: var(--dye);
  }
`
const Initials = styled.input`
  width: 44px;
  min-height: 32px;
  text-align: center;
  text-transform: uppercase;
  border: 1px solid transparent;
  border-bottom-color: var(--edge);
  background: none;
  font-weight: 600;
  border-radius: 2px;
  &:hover {
    border-color: var(--edge);
  }
  ${PHONE} {
    width: 38px;
  }
`

const THEME_AFTER = { auto: 'light', light: 'dark', dark: 'auto' } as const

/** What belongs to the device and not to a build: units on show, light or dark, who is working at it. */
export const DeviceSettings = memo(({ ownSystem, buildId }: { ownSystem?: UnitSystem; buildId?: string }) => {
  const device = useDevice()
  const refresh = useRefresh()
  const [typed, setTyped] = useState(device.initials)
  const [seen, setSeen] = useState(device.initials)
  if (seen !== device.initials) {
    setSeen(device.initials)
    setTyped(device.initials)
  }
  const keep = (change: Parameters<typeof device.set>[0]) => {
    device.set(change)
    refresh()
  }
  const shown = ownSystem && buildId ? device.systemFor(ownSystem, buildId) : (device.system ?? ownSystem)
  const change = (system: UnitSystem) => {
    if (buildId) {
      device.setSystemFor(buildId, system)
      refresh()
    } else keep({ system })
  }
  const nextTheme = THEME_AFTER[device.theme]
  return (
    <Box>
      {shown && (
        <Toggle onPress={() => change(shown === 'metric' ? 'inch' : 'metric')} aria-label={`Units shown: ${shown}. Change`}>
          {shown === 'metric' ? (
            <>
              <b>mm</b> · in
            </>
          ) : (
            <>
              mm · <b>in</b>
            </>
          )}
        </Toggle>
      )}
      <Toggle onPress={() => keep({ theme: nextTheme })} aria-label={`Light: ${device.theme}. Change to ${nextTheme}`}>
        {{ auto: 'Auto', light: 'Day', dark: 'Night' }[device.theme]}
      </Toggle>
      <Initials
        aria-label="Your initials"
        value={typed}
        maxLength={MOST_INITIALS}
        placeholder="you"
        // A digit is no initial: it is not taken.
        onChange={({ target }) => (target.value === '' || initialsFrom(target.value)) && setTyped(target.value.toUpperCase())}
        onBlur={() => keep({ initials: typed.trim() })}
        onKeyDown={(event) => event.key === 'Enter' && keep({ initials: typed.trim() })}
      />
    </Box>
  )
})
