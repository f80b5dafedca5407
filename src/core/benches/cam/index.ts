export { manifest as cam } from './manifest'
export { refitCurves, type RefitOfCam } from './refitCurves'
