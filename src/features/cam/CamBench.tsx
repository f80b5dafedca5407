'use client'
import { memo, useState } from 'react'
import { bench } from '@/core/benches/cam/cam'
import { Button } from '@/ui/Button'
import { lazyPart } from '@/ui/lazyPart'
import { benchWords } from '@/wording'
import * as words from '@/wording/benches/cam'
import type { BenchInFrame } from '@/features/benchFrame/BenchPage'
import type { BenchView, ToolProps } from '@/features/benchFrame/benchView'
import { Row } from '@/ui/Layout'
import { CamDrawing } from './CamDrawing'
import { SchoolsTable } from './SchoolsTable'

const VirtualEngine = lazyPart(() => import('./VirtualEngine').then((module) => module.VirtualEngine))
const RefitPanel = lazyPart(() => import('./RefitPanel').then((module) => module.RefitPanel))
const PrintPanel = lazyPart(() => import('./PrintPanel').then((module) => module.PrintPanel))
const DrivePanel = lazyPart(() => import('./DrivePanel').then((module) => module.DrivePanel))
const OutOfStepPanel = lazyPart(() => import('./OutOfStepPanel').then((module) => module.OutOfStepPanel))
const MethodsPanel = lazyPart(() => import('./MethodsPanel').then((module) => module.MethodsPanel))
const CurvePanel = lazyPart(() => import('./CurvePanel').then((module) => module.CurvePanel))

/** How TDC and the cams are read: any of the ways, each held against the others; and a whole curve at once. */
function Tools(props: ToolProps) {
  const [open, setOpen] = useState<'curve' | 'refit' | 'print' | 'drive' | 'outOfStep' | 'methods'>()
  const [isTurning, setTurning] = useState(false)
  const close = () => setOpen(undefined)
  return (
    <>
      <Row>
        <Button size="small" onPress={() => setOpen('methods')}>
          How it is read
        </Button>
        <Button size="small" onPress={() => setOpen('curve')}>
          A curve from a table
        </Button>
        <Button size="small" aria-pressed={isTurning} onPress={() => setTurning((now) => !now)}>
          Turn a virtual engine
        </Button>
        <Button size="small" onPress={() => setOpen('refit')}>
          The lobes, and their uncertainty
        </Button>
        <Button size="small" onPress={() => setOpen('print')}>
          Print a degree wheel
        </Button>
        <Button size="small" onPress={() => setOpen('drive')}>
          The drive
        </Button>
        <Button size="small" onPress={() => setOpen('outOfStep')}>
          Out of step
        </Button>
      </Row>
      {isTurning && <VirtualEngine build={props.build} />}
      {open === 'curve' && <CurvePanel {...props} onClose={close} />}
      {open === 'refit' && <RefitPanel {...props} onClose={close} />}
      {open === 'print' && <PrintPanel {...props} onClose={close} />}
      {open === 'methods' && <MethodsPanel {...props} onClose={close} />}
      {open === 'drive' && <DrivePanel {...props} onClose={close} />}
      {open === 'outOfStep' && <OutOfStepPanel {...props} onClose={close} />}
    </>
  )
}

const view: BenchView = { words: benchWords(words), Picture: memo(SchoolsTable), Drawing: memo(CamDrawing), Tools: memo(Tools) }

export function CamBench({ Frame, ...props }: BenchInFrame) {
  return <Frame bench={bench} view={view} {...props} />
}
