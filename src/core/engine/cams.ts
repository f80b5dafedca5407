import { bankCount, cylinderPlaces, type CylinderPlace, type EngineLayout } from './layout'

export type CamKind = 'intake' | 'exhaust'
type Bank = CylinderPlace['bank']

/**
 * Cams, or the lobes of one kind on a shaft that carries both; of a bank where each has its own. `high`: the second lobes of an
 * engine that switches profiles.
 */
export const CAMS = [
  'intake',
  'exhaust',
  'intake-left',
  'exhaust-left',
  'intake-right',
  'exhaust-right',
  'intake-high',
  'exhaust-high',
  'intake-left-high',
  'exhaust-left-high',
  'intake-right-high',
  'exhaust-right-high',
] as const
export type Cam = (typeof CAMS)[number]

/** The cams an engine has: a shaft in the block serves both banks, shafts in the heads are of a bank. */
export function camsOf(layout: EngineLayout): readonly Cam[] {
  const isOfBank = bankCount(layout) === 2 && layout.valveDrive !== 'pushrod'
  return CAMS.filter((cam) => (bankOfCam(cam) !== undefined) === isOfBank && (!isHighProfile(cam) || layout.lobesPerValve === 2))
}

export function camKind(cam: Cam): CamKind {
  return cam.startsWith('intake') ? 'intake' : 'exhaust'
}

/** The bank whose valves a cam opens; none where it opens those of the whole engine. */
export function bankOfCam(cam: Cam): Bank | undefined {
  return (['left', 'right'] as const).find((bank) => cam.split('-').includes(bank))
}

/** Whether these are the second lobes of an engine that switches profiles. */
export function isHighProfile(cam: Cam): boolean {
  return cam.endsWith('-high')
}

/** The cylinder a cam is degreed at: the lowest number of its bank. */
export function cylinderOfCam(layout: EngineLayout, cam: Cam): number {
  const bank = bankOfCam(cam)
  return cylinderPlaces(layout).find((place) => bank === undefined || place.bank === bank)!.cylinder
}

/** Cams that turn together because they are lobes of one shaft, the cam itself among them. */
export function onOneShaft(layout: EngineLayout, cam: Cam): readonly Cam[] {
  const isShared = layout.valveDrive === 'pushrod' || layout.valveDrive === 'rockerShaft'
  return camsOf(layout).filter((other) => bankOfCam(other) === bankOfCam(cam) && (isShared || camKind(other) === camKind(cam)))
}
