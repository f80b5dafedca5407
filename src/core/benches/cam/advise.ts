import { applyChanges } from '../../document/changes'
import type { Build } from '../../document/build'
import type { EngineChange } from '../../document/types'
import { toothDeg } from '../../geometry/valvetrain'
import { camKind, onOneShaft, type Cam } from '../../geometry/valvetrain'
import type { Advice, Cost, Finding, Headline } from '../../bench/bench'
import { isKnown } from '../../bench/finding'
import { advance } from './derive'

/** Which setting brings a cam back to its card, rows to read again, and where the intake closes for the ratio. */
export function advise(build: Build, findings: readonly Finding[]): Advice[] {
  return [...findings.flatMap((one) => rowsAgain(one)), ...turnings(build, findings), ...findings.flatMap((one) => noteRetard(build, one))]
}

/** A shaft with two kinds of lobes is turned once, by what its intake wants. */
function turnings(build: Build, findings: readonly Finding[]): Advice[] {
  const done = new Set<Cam>()
  return findings.flatMap((one): Advice[] => {
    const { cam: subject, output, conformity, figure } = one
    const isOut = conformity?.verdict === 'over' || conformity?.verdict === 'under'
    if (output !== 'cam.advance' || !subject || !figure || !isOut || done.has(subject)) return []
    const cams = onOneShaft(build.spec.layout, subject)
    for (const each of cams) done.add(each)
    const target = one.limit?.target ?? 0
    return turnCam(build, cams, target - figure.value.value)
  })
}

/** What a cam is set by: marks, keyways or bushes of so many degrees, a tooth, or slots that take any angle. */
function settingFor({ spec: { paper } }: Build, wantedDeg: number): { readonly byDeg: number; readonly steps?: number } {
  const stepDeg = paper.camStep?.value ?? (paper.camTeeth ? toothDeg(paper.camTeeth.value) : undefined)
  if (stepDeg === undefined) return { byDeg: wantedDeg }
  const most = paper.camStep ? (paper.camSteps?.value ?? Infinity) : 1
  const steps = Math.min(most, Math.max(-most, Math.round(wantedDeg / stepDeg)))
  return { byDeg: steps * stepDeg, steps }
}

function turnCam(build: Build, cams: readonly Cam[], wantedDeg: number): Advice[] {
  const setting = settingFor(build, wantedDeg)
  if (setting.byDeg === 0) return []
  const turned = cams.map((one): EngineChange => ({ what: 'turnCam', cam: one, by: setting.byDeg }))
  const after = applyChanges(build, turned)
  const intake = cams.find((one) => camKind(one) === 'intake')
  const changes = [...turned, ...(intake && build.spec.paper.intakeClosing ? retardAfter(after, intake) : [])]
  const costs: Cost[] = [
    { code: 'readCamAgain' },
    // Earlier the intake comes nearer to the piston, later the exhaust does.
    ...cams
      .filter((one) => camKind(one) === (setting.byDeg > 0 ? 'intake' : 'exhaust'))
      .slice(0, 1)
      .map((one): Cost => ({ code: 'checkValveClearance', closer: camKind(one) })),
  ]
  return [{ id: `turnCam.${cams[0]}`, change: { code: 'turnCam', cams, ...setting }, headlines: headlines(after, cams), costs, changes }]
}

/** The intake's closing moves with it: what is noted of it for the ratio is what it will be. */
function retardAfter(after: Build, intake: Cam): EngineChange[] {
  const stands = advance(after, intake)
  return isKnown(stands) ? [noted(-stands.figure.value.value)] : []
}

function noted(lateDeg: number): EngineChange {
  return { choose: 'paper', key: 'intakeRetard', value: Number(lateDeg.toFixed(1)), unit: 'deg', source: 'cam bench' }
}

function headlines(after: Build, cams: readonly Cam[]): Headline[] {
  return cams.flatMap((one): Headline[] => {
    const stands = advance(after, one)
    return isKnown(stands) ? [{ output: 'cam.advance', low: stands.figure.value, high: stands.figure.value }] : []
  })
}

function rowsAgain({ output, cam: subject, remarks }: Finding): Advice[] {
  if (output !== 'cam.byCurve' || !subject) return []
  return remarks.flatMap((remark): Advice[] =>
    remark.code === 'curveSlips'
      ? [
          {
            id: `readRowsAgain.${subject}`,
            change: { code: 'readRowsAgain', cam: subject, degrees: remark.degrees },
            headlines: [],
            costs: [],
          },
        ]
      : [],
  )
}

/** The effective ratio is computed with where the intake was found. */
function noteRetard(build: Build, { output, figure, conformity }: Finding): Advice[] {
  const isOut = conformity?.verdict === 'over' || conformity?.verdict === 'under'
  if (output !== 'cam.retardApart' || !figure || !isOut) return []
  const lateDeg = (build.spec.paper.intakeRetard?.value ?? 0) + figure.value.value
  return [{ id: 'noteRetard', change: { code: 'noteRetard', lateDeg }, headlines: [], costs: [], changes: [noted(lateDeg)] }]
}
