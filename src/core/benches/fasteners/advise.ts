import type { Build } from '../../document/build'
import { expand } from '../../metrology'
import { jointsOf } from '../../joints'
import { isKnown } from '../../bench/finding'
import type { Advice, Finding } from '../../bench/bench'
import type { BoltOutput } from './definition'
import { wantedStretch } from './rodBolts'

/** Bolts that have to go, those to pull on, and those to slacken and pull again to less. */
export function advise(build: Build, findings: readonly Finding[]): Advice[] {
  const retired = new Set(boltsWhere(findings, ['fasteners.growth', 'fasteners.bend'], 'over'))
  const again = (verdict: 'over' | 'under') => {
    const bolts = boltsWhere(findings, ['fasteners.stretch'], verdict).filter((bolt) => !retired.has(bolt))
    return new Map(bolts.flatMap((bolt) => pullFor(build, findings, bolt)))
  }
  const [short, long] = [again('under'), again('over')]
  const pullOn = new Map([...short].map(([bolt, { toNm, atNm }]) => [bolt, toNm - atNm]))
  const pullAgain = new Map([...long].map(([bolt, { toNm }]) => [bolt, toNm]))
  return [
    ...findings.flatMap((one) => lessTorque(build, one)),
    ...(retired.size > 0
      ? [way('retireBolts', { code: 'retireBolts', bolts: [...retired] }, { code: 'newBolts', count: retired.size })]
      : []),
    ...(pullOn.size > 0 ? [way('pullOn', { code: 'pullOn', byNm: pullOn })] : []),
    ...(pullAgain.size > 0 ? [way('pullAgain', { code: 'pullAgain', toNm: pullAgain }, { code: 'oneMoreCycle' })] : []),
  ]
}

/** A torque at which the slickest thread pulls a joint no further than its yield: what it bears goes as its torque. */
function lessTorque(build: Build, { output, joint: id, figure, conformity }: Finding): Advice[] {
  if (output !== 'fasteners.pulledOfYield' || !figure || !id || conformity?.verdict !== 'over') return []
  const targets =
    jointsOf(build.spec)
      .find((joint) => joint.id === id)
      ?.groups.flatMap(({ targetNm }) => targetNm ?? []) ?? []
  if (targets.length === 0) return []
  const toNm = Math.max(...targets) / (figure.value.value + expand(figure.value).U)
  return [way(`lowerTorque.${id}`, { code: 'lowerTorque', joint: id, toNm })]
}

function way(id: string, change: Advice['change'], ...costs: Advice['costs']): Advice {
  return { id, change, headlines: [], costs }
}

function boltsWhere(findings: readonly Finding[], outputs: readonly BoltOutput[], verdict: 'over' | 'under'): number[] {
  return [
    ...new Set(
      findings.flatMap(({ output, bolt, conformity }) =>
        outputs.includes(output as BoltOutput) && conformity?.verdict === verdict && bolt !== undefined ? [bolt] : [],
      ),
    ),
  ].sort((a, b) => a - b)
}

/** While it is elastic, torque goes as stretch: where a bolt is, and where it has the stretch it is to have. */
function pullFor(build: Build, findings: readonly Finding[], bolt: number): [number, { readonly toNm: number; readonly atNm: number }][] {
  const stretch = findings.find((finding) => finding.output === 'fasteners.stretch' && finding.bolt === bolt)?.figure
  const wanted = wantedStretch(build, bolt)
  const atNm = build.readings.current.get(`fasteners.tightTorque/b${bolt}`)?.value
  if (!stretch || !isKnown(wanted) || atNm === undefined || !(stretch.value.value > 0)) return []
  return [[bolt, { atNm, toNm: (atNm * wanted.figure.value.value) / stretch.value.value }]]
}
