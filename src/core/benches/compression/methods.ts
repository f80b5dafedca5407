import type { MethodDefinition } from '../../document/methods'

/** Ways of measuring there is a choice of; apart from the definition, since only the paper page shows them. */
export const methods = {
  deckPlaces: {
    label: 'Deck places a piston',
    hint: 'Opposite places, so that the rock of the piston cancels. Four show the rock as well.',
    options: [
      { value: 2, label: 'Two, on the pin axis' },
      { value: 4, label: 'Four, all round' },
    ],
    usual: 2,
  },
  chamber: {
    label: 'Chambers',
    hint: 'Two levels leave no sum to the head; weighing is the finest and needs the density.',
    options: [
      { value: 'buretteVolume', label: 'Burette, volume' },
      { value: 'buretteLevels', label: 'Burette, before and after' },
      { value: 'mass', label: 'By mass' },
    ],
    usual: 'buretteVolume',
  },
  chamberRepeats: {
    label: 'Fills a chamber',
    hint: 'A second fill finds the bubble the first one hid.',
    options: [
      { value: 1, label: 'One' },
      { value: 2, label: 'Two' },
      { value: 3, label: 'Three' },
    ],
    usual: 1,
  },
  piston: {
    label: 'Piston volume',
    hint: 'Down the bore measures dish, dome and pockets as they are, gap included.',
    options: [
      { value: 'paper', label: 'From paper' },
      { value: 'downTheBore', label: 'Down the bore' },
    ],
    usual: 'paper',
  },
  crevice: {
    label: 'The gap above the top ring, down the bore',
    hint: 'So that the crevice is counted once, not twice.',
    options: [
      { value: 'greased', label: 'Greased shut' },
      { value: 'filled', label: 'Filled too' },
    ],
    usual: 'greased',
  },
  gasket: {
    label: 'Gasket',
    hint: 'Compressed thickness, never the loose one.',
    options: [
      { value: 'paper', label: 'As its maker states' },
      { value: 'measured', label: 'Measured where clamped' },
    ],
    usual: 'paper',
  },
  squish: {
    label: 'Squish pad in the chamber',
    hint: 'Without a pad there is no quench to judge.',
    options: [
      { value: 'pad', label: 'There is one' },
      { value: 'none', label: 'None' },
    ],
    usual: 'pad',
  },
} as const satisfies Readonly<Record<string, MethodDefinition>>
