const DEG_PER_RAD = 180 / Math.PI
/** The crank turns twice for the cam's once. */
export const CRANK_PER_CAM = 2
const CRANK_CYCLE_DEG = 720

/** What a key that is `offsetMm` wide of its slot turns a shaft of so much radius by, degrees of that shaft; undefined where it cannot. */
export function keyAngleDeg(offsetMm: number, shaftRadiusMm: number): number | undefined {
  return shaftRadiusMm > 0 && Math.abs(offsetMm) <= shaftRadiusMm ? Math.asin(offsetMm / shaftRadiusMm) * DEG_PER_RAD : undefined
}

/** One tooth of a cam sprocket or pulley, crank degrees. */
export function toothDeg(camTeeth: number): number {
  return CRANK_CYCLE_DEG / camTeeth
}

/**
 * How far a cam in the head comes late, crank degrees, once head or deck are `cutMm` lower: the slack goes to the tensioner's side,
 * the tight strand turns the sprocket back by cut ÷ pitch radius (common practice; the tight strand square to the cut).
 */
export function chainRetardDeg(cutMm: number, pitchRadiusMm: number): number {
  return (CRANK_PER_CAM * DEG_PER_RAD * cutMm) / pitchRadiusMm
}

/** A flywheel key as it is filed: seen from the flywheel with the key uppermost. */
export interface FiledKey {
  readonly side: 'left' | 'right'
  readonly rotation: 'cw' | 'ccw'
  readonly way: 'advance' | 'retard'
}

/**
 * Which side of the key's flywheel half is filed, seen from the flywheel with the key uppermost. To fire earlier the flywheel is to
 * stand further on in the running direction: it moves onto the side of the key that trails, which is where metal has to go.
 */
export function filedSide(rotation: FiledKey['rotation'], way: FiledKey['way']): FiledKey['side'] {
  const trailing = rotation === 'cw' ? 'left' : 'right'
  const leading = rotation === 'cw' ? 'right' : 'left'
  return way === 'advance' ? trailing : leading
}
