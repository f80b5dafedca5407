'use client'
import { memo, useState } from 'react'
import { bench } from '@/core/benches/clearance/clearance'
import { Button } from '@/ui/Button'
import { lazyPart } from '@/ui/lazyPart'
import { benchWords } from '@/wording'
import * as words from '@/wording/benches/clearance'
import type { BenchInFrame } from '@/features/benchFrame/BenchPage'
import type { BenchView, ToolProps } from '@/features/benchFrame/benchView'
import { Row } from '@/ui/Layout'
import { ClearanceDrawing } from './ClearanceDrawing'

const PhasingChart = lazyPart(() => import('./PhasingChart').then((module) => module.PhasingChart))
const MethodsPanel = lazyPart(() => import('./MethodsPanel').then((module) => module.MethodsPanel))
const DrawsPanel = lazyPart(() => import('./DrawsPanel').then((module) => module.DrawsPanel))
const PhasingMapPanel = lazyPart(() => import('./PhasingMapPanel').then((module) => module.PhasingMapPanel))

/** How valves are read, the uncertainty by draws, and both cams moved at once. */
function Tools(props: ToolProps) {
  const [open, setOpen] = useState<'methods' | 'draws' | 'both'>()
  const close = () => setOpen(undefined)
  return (
    <>
      <Row>
        <Button size="small" onPress={() => setOpen('methods')}>
          How it is read
        </Button>
        <Button size="small" onPress={() => setOpen('draws')}>
          The uncertainty, by draws
        </Button>
        {props.build.spec.methods.clearanceBetween && (
          <Button size="small" onPress={() => setOpen('both')}>
            Both cams moved
          </Button>
        )}
      </Row>
      {open === 'methods' && <MethodsPanel {...props} onClose={close} />}
      {open === 'draws' && <DrawsPanel {...props} onClose={close} />}
      {open === 'both' && <PhasingMapPanel {...props} onClose={close} />}
    </>
  )
}

const view: BenchView = { words: benchWords(words), Picture: memo(PhasingChart), Drawing: memo(ClearanceDrawing), Tools: memo(Tools) }

export function ClearanceBench({ Frame, ...props }: BenchInFrame) {
  return <Frame bench={bench} view={view} {...props} />
}
