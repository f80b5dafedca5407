import { bankCount, cylinderPlaces, hasCamInBlock, hasValves, type CylinderPlace, type EngineLayout } from '../crank/layout'

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

/** The cams an engine has, none where it has no valves: a shaft in the block serves both banks, shafts in the heads are of a bank. */
export function camsOf(layout: EngineLayout): readonly Cam[] {
  if (!hasValves(layout)) return []
  const isOfBank = bankCount(layout) === 2 && !hasCamInBlock(layout)
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

/** The cylinder a cam is degreed at: the one its maker names in its bank, or the lowest number there. */
export function cylinderOfCam(layout: EngineLayout, cam: Cam): number {
  const bank = bankOfCam(cam)
  const own = cylinderPlaces(layout).filter((place) => bank === undefined || place.bank === bank)
  return (own.find(({ cylinder }) => layout.degreedAt?.includes(cylinder)) ?? own[0]!).cylinder
}

export type DegreedIssue = 'noSuchCylinder' | 'oneForItsCams'

/** What is wrong with the cylinders a maker names: each is there, one of a bank with cams of its own, else one of the engine. */
export function degreedIssue(layout: EngineLayout): DegreedIssue | undefined {
  const banks = (layout.degreedAt ?? []).map((named) => cylinderPlaces(layout).find(({ cylinder }) => cylinder === named)?.bank)
  if (banks.includes(undefined)) return 'noSuchCylinder'
  const most = camsOf(layout).some(bankOfCam) ? new Set(banks).size : 1
  return banks.length > most ? 'oneForItsCams' : undefined
}

/** Cylinders whose TDC is read: those the cams are degreed at; without cams, the one the maker names. */
export function degreedCylinders(layout: EngineLayout): readonly number[] {
  const cams = camsOf(layout)
  return cams.length === 0 ? [layout.degreedAt?.[0] ?? 1] : [...new Set(cams.map((cam) => cylinderOfCam(layout, cam)))]
}

/** Cams that turn together because they are lobes of one shaft, the cam itself among them. */
export function onOneShaft(layout: EngineLayout, cam: Cam): readonly Cam[] {
  const isShared = hasCamInBlock(layout) || layout.valveDrive === 'rockerShaft'
  return camsOf(layout).filter((other) => bankOfCam(other) === bankOfCam(cam) && (isShared || camKind(other) === camKind(cam)))
}
