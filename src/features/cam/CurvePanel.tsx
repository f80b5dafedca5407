'use client'
import { useMemo, useState } from 'react'
import { gaugesFor } from '@/core/bench/gaugeChoice'
import { definition } from '@/core/benches/cam/definition'
import { liftStationAt } from '@/core/benches/cam/stations'
import { currentCards, type Build, type Gauge } from '@/core/document'
import { checkedLobe, liftTableFrom, type LiftRow } from '@/core/geometry/valvetrain'
import { camsOf, type Cam } from '@/core/geometry/valvetrain'
import { formatExact } from '@/core/units'
import { Button } from '@/ui/Button'
import { ChoiceRow, TextField } from '@/ui/fields'
import { Notice } from '@/ui/Page'
import { SidePanel } from '@/ui/SidePanel'
import { capital, subjectWords } from '@/wording'
import { curveIssueWords, lobeSlipWords } from '@/wording/cam'
import type { ToolProps } from '@/features/benchFrame/benchView'

/** Rows of a table that are said; the rest of a table that is all wrong says no more. */
const MOST_SAID = 6
/** What a first look at a table takes wheel and dial to be: what is stored is judged by the cards of the gauges. */
const FIRST_LOOK = { wheelDeg: 0.25, dialMm: 0.005 }

/** A whole curve at once, pasted or from a file: looked at before anything is stored, and then stored row by row. */
export function CurvePanel({ build, onTable, onClose }: ToolProps & { onClose: () => void }) {
  const cams = camsOf(build.spec.layout)
  const [cam, setCam] = useState<Cam>(cams[0]!)
  const [text, setText] = useState('')
  const table = useMemo(() => (text.trim() === '' ? undefined : liftTableFrom(text)), [text])
  const rows = table && 'rows' in table ? table.rows : undefined
  const slips = useMemo(() => (rows ? checkedLobe(rows, FIRST_LOOK).slips : []), [rows])
  const [dial] = gaugesFor(definition.characteristics['cam.lift'], currentCards([...build.gauges.values()]), build.spec.units)
  const store = () => {
    if (!rows || !dial) return
    onTable(rows.map((row) => draftOf(build, cam, row, dial)))
    onClose()
  }
  return (
    <SidePanel title="A curve from a table" isOpen onClose={onClose}>
      <p>
        Two columns, <b>angle</b> as the wheel shows it, in crank degrees after overlap TDC, and <b>lift</b> as the dial shows it, in mm or
        with its unit (“lift thou”).
      </p>
      <ChoiceRow
        label="Of"
        value={cam}
        onChange={setCam}
        options={cams.map((value) => ({ value, label: capital(subjectWords({ cam: value })) }))}
      />
      <TextField label="Table" value={text} placeholder={'angle,lift\n-60,0.00\n-55,0.02'} onChange={setText} numeric rows={10} />
      <label>
        From a file <input type="file" accept=".csv,text/csv" onChange={({ target }) => void target.files?.[0]?.text().then(setText)} />
      </label>
      {table && 'issues' in table && (
        <Notice data-tone="bad" role="alert">
          Nothing is stored: {table.issues.slice(0, MOST_SAID).map(curveIssueWords).join('; ')}
          {table.issues.length > MOST_SAID && `; and ${table.issues.length - MOST_SAID} more`}.
        </Notice>
      )}
      {slips.map((slip) => (
        <Notice key={`${slip.kind}/${slip.row}`} data-tone="bad">
          {lobeSlipWords(slip)}
        </Notice>
      ))}
      {!dial && <Notice data-tone="bad">No dial in the drawer: a reading stands with the gauge that took it.</Notice>}
      <Button kind="primary" isDisabled={!rows || !dial} onPress={store}>
        {rows ? `Store ${rows.length} readings` : 'Store the readings'}
      </Button>
    </SidePanel>
  )
}

/** A row as if it had been typed at its place, with the dial this shop would take. */
function draftOf(build: Build, cam: Cam, { angleDeg, liftMm }: LiftRow, dial: Gauge) {
  return {
    station: liftStationAt(build, cam, angleDeg),
    value: liftMm,
    unit: 'mm',
    gauge: dial.id,
    asTyped: formatExact(liftMm, 'mm'),
  } as const
}
