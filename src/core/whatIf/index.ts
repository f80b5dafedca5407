export { knobsOf, PARTS, type Knob, type KnobHere, type Part, type Settings } from './knobs'
export { todayOf, variantOf, type Headline, type Span, type Today, type Variant } from './variant'
export { toReadAgain } from './readAgain'
export { sensitivity, watchedFirst, watchedOf, type Effect } from './sensitivity'
export { SEARCHED, shownAs } from './kernel'
export {
  combinationsOf,
  limitsOf,
  search,
  type Binding,
  type Bounds,
  type Goal,
  type Question,
  type SearchedKnob,
  type SearchLimits,
  type SearchResult,
} from './search'
