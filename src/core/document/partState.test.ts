import { expect, it } from 'vitest'
import { isLaterState, PART_STATES, partStateOf } from './partState'

it('an engine goes from as found by machining and trial to final assembly; each is later than those before it and no other', () => {
  for (const [at, state] of PART_STATES.entries()) {
    expect(PART_STATES.filter((other) => isLaterState(state, other))).toEqual(PART_STATES.slice(0, at))
  }
  expect(PART_STATES).toEqual(['asFound', 'machined', 'trial', 'final'])
})

it('what does not say is as found', () => {
  expect([partStateOf({}), partStateOf({ partState: 'trial' })]).toEqual(['asFound', 'trial'])
})
