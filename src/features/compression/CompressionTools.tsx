'use client'
import { useState } from 'react'
import type { JudgedAdvice } from '@/core/bench/bench'
import type { ToolProps } from '@/features/benchFrame/benchView'
import { Button } from '@/ui/Button'
import type { Tool } from './ToolPanel'
import { lazyPart } from '@/ui/lazyPart'
import { Row } from '@/ui/Layout'

const ToolPanel = lazyPart(() => import('./ToolPanel').then((module) => module.ToolPanel))

/** Tools of the compression bench: the rack, the planner, what it cost, and random draws against the uncertainty. */
export function CompressionTools({ build, system, onTake }: ToolProps) {
  const close = () => setTool(undefined)
  const take = (one: JudgedAdvice) => {
    close()
    onTake(one)
  }
  const [tool, setTool] = useState<Tool>()
  return (
    <>
      <Row>
        <Button size="small" onPress={() => setTool('rack')}>
          Gasket rack
        </Button>
        <Button size="small" onPress={() => setTool('plan')}>
          Plan gasket and cuts
        </Button>
        <Button size="small" onPress={() => setTool('cost')}>
          What did it cost
        </Button>
        <Button size="small" onPress={() => setTool('draws')}>
          Check the uncertainty by random draws
        </Button>
      </Row>
      {tool && <ToolPanel tool={tool} build={build} system={system} onClose={close} onTake={take} />}
    </>
  )
}
