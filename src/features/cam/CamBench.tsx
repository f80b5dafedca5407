'use client'
import { memo, useState } from 'react'
import { bench } from '@/core/benches/cam/cam'
import { methods } from '@/core/benches/cam/methods'
import type { MethodKey } from '@/core/build'
import { MethodChoice } from '@/features/paper/MethodChoice'
import { Button } from '@/ui/Button'
import { lazyPart } from '@/ui/lazyPart'
import { Row } from '@/ui/Page'
import { benchWords } from '@/wording'
import * as words from '@/wording/benches/cam'
import type { BenchInFrame } from '../bench/BenchPage'
import type { BenchView, ToolProps } from '../bench/benchView'
import { CamDrawing } from './CamDrawing'
import { SchoolsTable } from './SchoolsTable'

const VirtualEngine = lazyPart(() => import('./VirtualEngine').then((module) => module.VirtualEngine))
const RefitPanel = lazyPart(() => import('./RefitPanel').then((module) => module.RefitPanel))
const PrintPanel = lazyPart(() => import('./PrintPanel').then((module) => module.PrintPanel))
const CurvePanel = lazyPart(() => import('./CurvePanel').then((module) => module.CurvePanel))

/** How TDC and the cams are read: any of the ways, each held against the others; and a whole curve at once. */
function Tools(props: ToolProps) {
  const { edit } = props
  const [open, setOpen] = useState<'curve' | 'refit' | 'print'>()
  const [isTurning, setTurning] = useState(false)
  const close = () => setOpen(undefined)
  return (
    <>
      <Row>
        <Button size="small" onPress={() => setOpen('curve')}>
          A curve from a table
        </Button>
        <Button size="small" aria-pressed={isTurning} onPress={() => setTurning((now) => !now)}>
          Turn a virtual engine
        </Button>
        <Button size="small" onPress={() => setOpen('refit')}>
          The lobes, and their doubt
        </Button>
        <Button size="small" onPress={() => setOpen('print')}>
          Print a degree wheel
        </Button>
      </Row>
      {isTurning && <VirtualEngine build={props.build} />}
      {open === 'curve' && <CurvePanel {...props} onClose={close} />}
      {open === 'refit' && <RefitPanel {...props} onClose={close} />}
      {open === 'print' && <PrintPanel {...props} onClose={close} />}
      {(Object.keys(methods) as (MethodKey & keyof typeof methods)[]).map((name) => (
        <MethodChoice key={name} name={name} method={methods[name]} edit={edit} />
      ))}
    </>
  )
}

const view: BenchView = { words: benchWords(words), Picture: memo(SchoolsTable), Drawing: memo(CamDrawing), Tools: memo(Tools) }

export function CamBench({ Frame, ...props }: BenchInFrame) {
  return <Frame bench={bench} view={view} {...props} />
}
