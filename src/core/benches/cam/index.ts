export { cam } from './advise'
export { refitCurves, type RefitOfCam } from './refitCurves'
export { outOfStep, type OutOfStep, type OutOfStepQuestion } from './outOfStep'
