import type { MethodDefinition } from '../../document/methods'

const READ_OR_NOT = [
  { value: true, label: 'Read' },
  { value: false, label: 'Not read' },
] as const

/** Ways of reading how near valves come to their pistons, each by itself, and how the engine stood while they were read. */
export const methods = {
  clearanceDrop: {
    label: 'Valve drop at TDC',
    hint: 'No cam: a shut valve is pushed down until it touches. With lobe and crank that one number gives the whole sweep.',
    options: READ_OR_NOT,
    usual: true,
  },
  clearanceDial: {
    label: 'Dial on the retainer, cam in',
    hint: 'Light springs, the valve pushed down to the piston at chosen crank angles: intake after TDC, exhaust before it.',
    options: [
      { value: 'none', label: 'Not read' },
      { value: 'ten', label: 'At ten degrees, every valve' },
      { value: 'one', label: 'From TDC to 24°, one valve of each kind' },
      { value: 'every', label: 'From TDC to 24°, every valve' },
    ],
    usual: 'none',
  },
  clearanceClay: {
    label: 'Clay',
    hint: 'Oiled, head on with its gasket, two turns, cut through: the thinnest wall, and the side.',
    options: READ_OR_NOT,
    usual: false,
  },
  clearanceFeeler: {
    label: 'Feeler and pry',
    hint: 'Put together, lifter collapsed by a known stack: what went is a lower bound, what did not an upper one.',
    options: READ_OR_NOT,
    usual: false,
  },
  clearanceValves: {
    label: 'Valves that are read',
    hint: 'Those that are not are taken from those that are, by deck, seat and chamber, with the uncertainty of that.',
    options: [
      { value: 'all', label: 'Every one' },
      { value: 'first', label: 'Those of cylinder 1' },
    ],
    usual: 'all',
  },
  clearanceSeats: {
    label: 'Depths of the seats',
    hint: 'From the head face to the valve, shut: what a valve that was not read is taken from.',
    options: READ_OR_NOT,
    usual: false,
  },
  clearanceGasket: {
    label: 'Gasket while it was read',
    hint: 'Without one, or with one that was only snugged, the gap is another: it is corrected to the one that is crushed.',
    options: [
      { value: 'crushed', label: 'Crushed, as it runs' },
      { value: 'snugged', label: 'Only snugged' },
      { value: 'none', label: 'None' },
    ],
    usual: 'crushed',
  },
  clearanceLifters: {
    label: 'Lifters while it was read',
    hint: 'Pumped up they hold the valve open by their preload times the ratio; by dial, clay and feeler it counts.',
    options: [
      { value: 'solid', label: 'Solid, at the lash on paper' },
      { value: 'pumpedUp', label: 'Pumped up' },
    ],
    usual: 'solid',
  },
  clearanceAtLash: {
    label: 'Judged at',
    hint: 'With no lash is the worst there can be.',
    options: [
      { value: 'running', label: 'Running lash' },
      { value: 'none', label: 'No lash' },
    ],
    usual: 'running',
  },
  clearanceRound: {
    label: 'Round the valve',
    hint: 'Pocket against valve head, by the sizes of both, or by the side of the clay where clay is read.',
    options: [
      { value: true, label: 'Judged' },
      { value: false, label: 'Not judged' },
    ],
    usual: false,
  },
  clearanceBetween: {
    label: 'Valve to valve',
    hint: 'Twin cam and hemispherical heads, where both lean towards each other.',
    options: [
      { value: true, label: 'Judged' },
      { value: false, label: 'Not judged' },
    ],
    usual: false,
  },
  clearanceHead: {
    label: 'Piston to head, by soft wire',
    hint: 'Squeezed on the squish side, over the pin.',
    options: READ_OR_NOT,
    usual: false,
  },
} as const satisfies Readonly<Record<string, MethodDefinition>>
