import type { Build } from '../document/build'
import { workOn } from '../document/work'
import { cylinderVolumeCm3 } from '../geometry/crank'
import { valvesOfKind, type CamKind } from '../geometry/valvetrain'

/** What a pocket takes off a crown per millimetre of depth, all valves of a kind of a cylinder, cm³; undefined: its size is not known. */
export function pocketCm3PerMm({ spec: { paper, layout } }: Build, kind: CamKind): number | undefined {
  const across = paper[`${kind}Pocket`] ?? paper[`${kind}ValveHead`]
  return across && cylinderVolumeCm3(across.value, 1) * valvesOfKind(layout, kind)
}

/** What pockets that are to be cut deeper add to a piston's volume; `station`: what its volume was read at, where it was. */
export function pocketsCm3(build: Build, station?: string): number {
  return (['intake', 'exhaust'] as const).reduce((sum, kind) => {
    const byMm = workOn(build, `cutPocket/${kind}`, station)
    return byMm === 0 ? sum : sum + byMm * (pocketCm3PerMm(build, kind) ?? 0)
  }, 0)
}
