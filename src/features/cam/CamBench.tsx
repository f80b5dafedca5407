'use client'
import { memo } from 'react'
import { bench } from '@/core/benches/cam/cam'
import { methods } from '@/core/benches/cam/methods'
import type { MethodKey } from '@/core/build'
import { MethodChoice } from '@/features/paper/MethodChoice'
import { benchWords } from '@/wording'
import * as words from '@/wording/benches/cam'
import type { BenchInFrame } from '../bench/BenchPage'
import type { BenchView, ToolProps } from '../bench/benchView'
import { CamDrawing } from './CamDrawing'
import { SchoolsTable } from './SchoolsTable'

/** How TDC and the cams are read: any of the ways, each held against the others. */
function Tools({ edit }: ToolProps) {
  return (
    <>
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
