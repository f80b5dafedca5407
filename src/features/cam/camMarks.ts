import type { Finding } from '@/core/bench/bench'
import { cardCentreline, cardDuration } from '@/core/shared/camCard'
import { signOf } from '@/core/shared/camMotion/schools'
import { isKnown } from '@/core/bench/finding'
import type { Build } from '@/core/document'
import { camsOf, type Cam } from '@/core/geometry/valvetrain'

/** From where to where a cam holds its valves open, crank degrees after overlap TDC, and the middle of it. */
export interface OpenArc {
  readonly opensDeg: number
  readonly closesDeg: number
  readonly centreDeg: number
}

export interface CamMarks {
  readonly cam: Cam
  readonly card?: OpenArc
  readonly found?: OpenArc
  /** The centreline alone, where no events are known. */
  readonly centreDeg?: number
}

/** Every cam as its card says, and as it was found. */
export function camMarks(build: Build, findings: readonly Finding[]): readonly CamMarks[] {
  return camsOf(build.spec.layout).map((cam): CamMarks => {
    const valueOf = (output: string) => findings.find((one) => one.output === output && one.cam === cam)?.figure?.value.value
    const [opensDeg, closesDeg, centre] = ['cam.opens', 'cam.closes', 'cam.centreline'].map(valueOf)
    const centreDeg = centre === undefined ? undefined : signOf(cam) * centre
    const found =
      opensDeg === undefined || closesDeg === undefined
        ? undefined
        : { opensDeg, closesDeg, centreDeg: centreDeg ?? (opensDeg + closesDeg) / 2 }
    return { cam, ...(found && { found }), ...(centreDeg !== undefined && { centreDeg }), ...cardArc(build, cam) }
  })
}

function cardArc(build: Build, cam: Cam): Pick<CamMarks, 'card'> {
  const [centreline, duration] = [cardCentreline(build, cam), cardDuration(build, cam)]
  if (!isKnown(centreline) || !isKnown(duration)) return {}
  const centreDeg = signOf(cam) * centreline.figure.value.value
  const half = duration.figure.value.value / 2
  return { card: { opensDeg: centreDeg - half, closesDeg: centreDeg + half, centreDeg } }
}
