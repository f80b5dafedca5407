/** Angles closer than this are the same crank position: far below any degree wheel, far above rounding. */
export const ANGLE_TOL_DEG = 1e-6
