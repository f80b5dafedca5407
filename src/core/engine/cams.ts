import { bankCount, cylinderPlaces, type EngineLayout } from './layout'

/** Cams, or the lobes of one kind on a shaft that carries both; of a bank where each has its own. */
export const CAMS = ['intake', 'exhaust', 'intake-left', 'exhaust-left', 'intake-right', 'exhaust-right'] as const
export type Cam = (typeof CAMS)[number]
export type CamKind = 'intake' | 'exhaust'

const ONE_BANK = ['intake', 'exhaust'] as const satisfies readonly Cam[]
const TWO_BANKS = ['intake-left', 'exhaust-left', 'intake-right', 'exhaust-right'] as const satisfies readonly Cam[]

/** The cams an engine has: a shaft in the block serves both banks, shafts in the heads are of a bank. */
export function camsOf(layout: EngineLayout): readonly Cam[] {
  return bankCount(layout) === 2 && layout.valveDrive !== 'pushrod' ? TWO_BANKS : ONE_BANK
}

export function camKind(cam: Cam): CamKind {
  return cam.startsWith('intake') ? 'intake' : 'exhaust'
}

/** The cylinder a cam is degreed at: the lowest number of its bank. */
export function cylinderOfCam(layout: EngineLayout, cam: Cam): number {
  const bank = cam.split('-')[1]
  return cylinderPlaces(layout).find((place) => bank === undefined || place.bank === bank)!.cylinder
}

/** Cams that turn together because they are lobes of one shaft, the cam itself among them. */
export function onOneShaft(layout: EngineLayout, cam: Cam): readonly Cam[] {
  const isShared = layout.valveDrive === 'pushrod' || layout.valveDrive === 'rockerShaft'
  return isShared ? camsOf(layout).filter((other) => other.split('-')[1] === cam.split('-')[1]) : [cam]
}
