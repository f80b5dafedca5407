export { cam } from './advise'
