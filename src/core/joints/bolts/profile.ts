/** Numbers of the 60° thread profile, each a multiple of the pitch. */
export const THREAD_PROFILE = {
  /** ¾ of the height of the sharp triangle, 2 · ⅜ · √3/2 (ISO 724). */
  pitchDiameter: 0.6495,
  /** ISO 898-1, 9.1.6.1: 0.9382; ASME B1.1, appendix B: 0.9743. */
  stressDiameter: { metric: 0.9382, unified: 0.9743 },
  /** Half of 1 ÷ cos 30°: what the flank angle makes of friction (VDI 2230; ISO 16047). */
  flank: 0.577,
} as const
