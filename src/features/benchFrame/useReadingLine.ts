'use client'
import { useCallback, useEffect, useLayoutEffect, useMemo, useState } from 'react'
import { rowOf } from '@/core/bench/sheets'
import type { UnitId } from '@/core/units'
import { EMPTY, LineActions, type LineNow, type LineProps, type LineState } from './lineActions'
import type { PadKey } from './Keypad'
import { readLine } from './lineEntry'
import { isOpen, type PartTemperature } from './useBench'

/** The line at work: what is typed, what it asks back, and what each key does. */
export function useReadingLine(props: LineProps & { readonly startText?: string }) {
  const { work, station, characteristic, gauge, system, live } = props
  const { stations, build, setDraft, acts, signed } = work
  const state = useLineState(station.id, props.startText ?? '')
  const [temperature, setTemperature] = useState<PartTemperature>()
  /** What a bare +3 from nominal is meant in, once said with its unit. */
  const [offsetUnits, setOffsetUnits] = useState<Readonly<Record<string, UnitId>>>({})
  const setOffsetUnit = (meant: UnitId) => setOffsetUnits((now) => ({ ...now, [station.characteristic]: meant }))
  const offsetUnit = offsetUnits[station.characteristic]
  const { text, asking, question } = state.line
  const unit = characteristic.units[system]
  const entry = useMemo(
    () => (text.trim() !== '' && asking === 'reading' ? readLine(text, characteristic, station, unit, gauge, offsetUnit) : undefined),
    [asking, characteristic, gauge, offsetUnit, station, text, unit],
  )
  const read = build.readings.current.get(station.id)
  const openInRow = asking === 'skip' ? [station, ...rowOf(station, stations).filter((one) => one !== station && isOpen(one, build))] : []
  const now: LineNow = {
    ...props,
    stations,
    build,
    setDraft,
    acts,
    signed,
    ...state.line,
    ...state,
    temperature,
    setTemperature,
    offsetUnit,
    setOffsetUnit,
    unit,
    read,
    entry,
    openInRow,
  }
  const actions = useActions(now)

  useEffect(() => {
    if (live.next && !question && asking === 'reading') actions.land(live.next)
    // A press lands at the current place: at a new press, and when the place has moved on or a question was answered.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [live.next, station.id, question, asking])

  return { now, actions, onPad: useCallback((key: PadKey) => actions.onPad(key), [actions]) }
}

/** One set of acts as long as the line stands: each sees what stands in it when it is done. */
function useActions(now: LineNow): LineActions {
  const [actions] = useState(() => new LineActions(now))
  useLayoutEffect(() => actions.has(now))
  return actions
}

/** What stands in the line: emptied where the place is another. */
function useLineState(stationId: string, startText: string) {
  const [line, setLine] = useState<LineState>({ ...EMPTY, text: startText })
  const [at, setAt] = useState(stationId)
  if (at !== stationId) {
    setAt(stationId)
    setLine(({ said, letter, takesBack, carried = '' }) => ({ ...EMPTY, said, letter, takesBack, text: carried }))
  }
  return { line, setLine }
}
