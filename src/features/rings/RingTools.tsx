'use client'
import { useState } from 'react'
import { Button, LinkButton } from '@/ui/Button'
import type { ToolProps } from '@/features/benchFrame/benchView'
import { lazyPart } from '@/ui/lazyPart'
import { Row } from '@/ui/Layout'

const FilingPanel = lazyPart(() => import('./FilingPanel').then((module) => module.FilingPanel))
const ButtingPanel = lazyPart(() => import('./ButtingPanel').then((module) => module.ButtingPanel))

const SidePanel = lazyPart(() => import('@/ui/SidePanel').then((module) => module.SidePanel))

type Tool = 'filing' | 'butting'
const TITLES: Readonly<Record<Tool, string>> = { filing: 'Filing log', butting: 'Chance of butting' }

/** Tools of the ring bench: the filing log, the chance of butting, and the clocking sheet to print. */
export function RingTools({ build, system }: ToolProps) {
  const [tool, setTool] = useState<Tool>()
  return (
    <>
      <Row>
        <Button size="small" onPress={() => setTool('filing')}>
          Filing log
        </Button>
        <Button size="small" onPress={() => setTool('butting')}>
          Chance of butting
        </Button>
        <LinkButton size="small" href={`/builds/${build.id}/clocking`}>
          Clocking, to print
        </LinkButton>
      </Row>
      {tool && (
        <SidePanel title={TITLES[tool]} isOpen onClose={() => setTool(undefined)}>
          {tool === 'filing' && <FilingPanel build={build} system={system} />}
          {tool === 'butting' && <ButtingPanel build={build} system={system} />}
        </SidePanel>
      )}
    </>
  )
}
