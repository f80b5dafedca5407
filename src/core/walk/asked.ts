/** What a step may say beside what is done: how the engine stands, what goes in for a while, what is answered. */

/** How the engine stands on its stand: steps of one attitude are kept together. */
export type Attitude = 'upright' | 'upsideDown' | 'off'
/** What lies in the engine for a while, and has to come out again before the starter. */
export const TEMPORARY = ['lightSprings', 'ties', 'tape', 'rags', 'pullingBolt', 'tensioner', 'holdDowns', 'manifold'] as const
export type TemporaryId = (typeof TEMPORARY)[number]
/** What is asked in words, not ticked: which way a part lies. */
export type AskedId = 'gasketFront' | 'pistonFront' | 'capsByNumber'
