import type { CharacteristicId, Finding } from '../../bench/bench'
import type { Manifest, ReadingStep } from '../../bench/manifest'
import { namedEntries } from '../../document/ids'
import { advise } from './advise'
import { bench } from './cam'
import { definition } from './definition'

/** What zeroes the wheel, and what is read without it. */
const WITHOUT_ZERO: ReadonlySet<CharacteristicId> = new Set([
  'cam.stop',
  'cam.dwell',
  'cam.mark',
  'cam.markFound',
  'cam.sprocketDepth',
  'cam.tension',
])

/** An angle is one of a wheel whose zero is proven; the stop is met with the pointer on. */
const steps: Readonly<Partial<Record<CharacteristicId, ReadingStep>>> = {
  'cam.stop': { after: ['cam.pointer'] },
  ...Object.fromEntries(
    namedEntries(definition.characteristics).flatMap(([id]) => (WITHOUT_ZERO.has(id) ? [] : [[id, { holds: ['tdcProven'] }]])),
  ),
}

export const manifest: Manifest = {
  ...bench,
  advise,
  stage: 'cam',
  steps,
  proofs: { tdcProven: { readings: 'cam.stop', isProven: tdcIsProven } },
  staleBy: { deckOrHead: ['cam.'], camMoved: ['cam.'], sprockets: ['cam.'], camCap: ['cam.'] },
}

/** Of number one: read more than once and within, or once where nothing judges it. */
function tdcIsProven(findings: readonly Finding[]): boolean {
  const apart = findings.filter(({ output }) => output === 'cam.tdcApart')
  const known = findings.filter(({ output, figure }) => output === 'cam.tdc' && figure !== undefined)
  return known.length > 0 && apart.every(({ conformity, figure }) => figure === undefined || conformity?.verdict !== 'over')
}
