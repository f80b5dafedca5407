export { manifest as fasteners } from './manifest'
