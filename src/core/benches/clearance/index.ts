export { clearance } from './advise'
