export { cam } from './advise'
export { refitCurves, type RefitOfCam } from './refitCurves'
