/** Cams turned earlier or later, and other cams in their place. */
import { isKnown, type Derived } from '../../bench/finding'
import { alike, around, DEG, inThou, MM, onPaper, paperKnob, type Knob } from '../../bench/knob'
import type { Build } from '../../document/build'
import type { EngineChange } from '../../document/types'
import { allWorkOn } from '../../document/work'
import { camKind, camsOf, onOneShaft, type Cam, type CamKind } from '../../geometry/valvetrain'
import { printed } from '../../numerics/printed'
import { cardDuration, cardLobeLift } from '../../shared/camCard'
import { onCurve, peakLiftOf } from '../../shared/camMotion/curve'
import { lobeMotion } from '../../shared/camMotion/lobeMotion'
import { definition } from './definition'

/** Cams of a kind set earlier; lobes of one shaft turn together, and are one knob. */
function phasingKnob(kind: CamKind): Knob {
  const cams = ({ spec: { layout } }: Build) => camsOf(layout).filter((cam) => camKind(cam) === kind)
  return {
    id: `advance.${kind}`,
    group: 'cams',
    label: `${kind === 'intake' ? 'Intake' : 'Exhaust'} cam earlier by`,
    ...DEG,
    step: alike(1),
    today: (build) => {
      const { layout } = build.spec
      const [first] = cams(build)
      const isFollower = first && kind === 'exhaust' && onOneShaft(layout, first).some((cam) => camKind(cam) === 'intake')
      return first && !isFollower ? allWorkOn(build, `turnCam/${first}`) : undefined
    },
    ...around(12),
    changes: (build, value, today) => {
      const by = printed(value - today)
      const turned = [...new Set(cams(build).flatMap((cam) => onOneShaft(build.spec.layout, cam)))]
      return [...turned.map((cam): EngineChange => ({ what: 'turnCam', cam, by })), ...(kind === 'intake' ? closingEarlier(build, by) : [])]
    },
  }
}

/** Where the ratio is counted from the intake's closing, what is noted of it goes with its cam. */
function closingEarlier(build: Build, byDeg: number): readonly EngineChange[] {
  const { intakeClosing, intakeRetard } = build.spec.paper
  return intakeClosing ? [onPaper(build, definition.paper, 'intakeRetard', (intakeRetard?.value ?? 0) - byDeg)] : []
}

/** The first of a kind: what its lobes do the others of the kind do. */
function firstCam({ spec }: Build, kind: CamKind): Cam | undefined {
  return camsOf(spec.layout).find((cam) => camKind(cam) === kind)
}

const LOBE = {
  lift: { label: 'lobe lift', ...MM, step: inThou(0.1, 5), reach: 2, what: 'lobeLift', read: peakLiftOf, card: cardLobeLift },
  duration: { label: 'duration', ...DEG, step: alike(1), reach: 20, what: 'lobeDuration', read: readDuration, card: cardDuration },
} as const

function readDuration(build: Build, cam: Cam): Derived {
  return onCurve(build, cam, 'duration')
}

/** Other cams of a kind: what their lobes do at the check lift, from what was read on, or else from what their card says. */
function lobeKnob(valves: CamKind, what: keyof typeof LOBE): Knob {
  const { label, kind, units, step, reach, what: work, read, card } = LOBE[what]
  return {
    id: `${work}.${valves}`,
    group: 'cams',
    label: `${valves === 'intake' ? 'Intake' : 'Exhaust'} ${label}`,
    kind,
    units,
    step,
    part: 'cams',
    today: (build) => {
      const cam = firstCam(build, valves)
      if (!cam || 'missing' in lobeMotion(build, cam)) return undefined
      const [known, stated] = [read(build, cam), card(build, cam)]
      if (isKnown(known)) return known.figure.value.value
      return isKnown(stated) ? stated.figure.value.value + allWorkOn(build, `${work}/${valves}`) : undefined
    },
    ...around(reach),
    changes: (_, value, today) => [{ what: work, valves, by: printed(value - today) }],
  }
}

export const knobs: readonly Knob[] = [
  phasingKnob('intake'),
  phasingKnob('exhaust'),
  paperKnob(definition.paper, 'rockerRatio', { group: 'cams', part: 'cams', reach: 0.3, step: alike(0.05) }),
  paperKnob(definition.paper, 'intakeLash', { group: 'cams', reach: 0.4, step: inThou(0.05, 1) }),
  paperKnob(definition.paper, 'exhaustLash', { group: 'cams', reach: 0.4, step: inThou(0.05, 1) }),
  lobeKnob('intake', 'lift'),
  lobeKnob('exhaust', 'lift'),
  lobeKnob('intake', 'duration'),
  lobeKnob('exhaust', 'duration'),
]
