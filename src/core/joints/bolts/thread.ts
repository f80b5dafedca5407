/** Screw threads by their designation. */

export interface Thread {
  /** `M10x1.25`, `7/16-20`. */
  readonly designation: string
  readonly standard: 'metric' | 'unified'
  readonly diameterMm: number
  readonly pitchMm: number
}

export type ThreadIssue =
  /** `M10`: coarse and fine differ by a quarter in clamp, so nothing is assumed. */
  | { readonly code: 'noPitch'; readonly text: string }
  | { readonly code: 'unreadable'; readonly text: string }
  /** No thread is so coarse, so fine, or so large. */
  | { readonly code: 'impossible'; readonly text: string }

const MM_PER_INCH = 25.4
/** Numbered sizes of ASME B1.1: #0 is 0.060 in, each number 0.013 in more. */
const NUMBER_ZERO_IN = 0.06
const NUMBER_STEP_IN = 0.013

const METRIC = /^m\s*(\d+(?:[.,]\d+)?)\s*(?:[x×*]\s*(\d+(?:[.,]\d+)?))?(?:\s*-\s*\d[gGhH]\w*)?$/i
const UNIFIED = /^(#\d+|\d+\/\d+|\d*[.,]?\d+)\s*("|in)?\s*-\s*(\d+)(?:\s*(?:unc|unf|unef|un|unj|unr)\w*)?$/i

/** A thread as written on paper: `M10x1.25`, `7/16-20`, `#10-32`, `.4375-20 UNF`. A slash is a fraction of an inch, never a mixed one. */
export function readThread(text: string): Thread | ThreadIssue {
  const written = text.trim()
  const metric = METRIC.exec(written)
  if (metric) {
    const [, diameter, pitch] = metric
    if (pitch === undefined) return { code: 'noPitch', text: written }
    return checked(written, 'metric', numberOf(diameter!), numberOf(pitch))
  }
  const unified = UNIFIED.exec(written)
  if (!unified) return { code: 'unreadable', text: written }
  const [, size, , threadsPerInch] = unified
  return checked(written, 'unified', inchesOf(size!) * MM_PER_INCH, MM_PER_INCH / Number(threadsPerInch))
}

export function isThread(read: Thread | ThreadIssue): read is Thread {
  return 'designation' in read
}

/** Published threads lie well inside: M1×0.25 has a pitch of d/4, 1/4-80 one of d/20. */
const LEAST_DIAMETER_MM = 1
const MOST_DIAMETER_MM = 100
const LEAST_PITCHES_ACROSS = 3
const MOST_PITCHES_ACROSS = 60

function checked(text: string, standard: Thread['standard'], diameterMm: number, pitchMm: number): Thread | ThreadIssue {
  const across = diameterMm / pitchMm
  const isPossible =
    diameterMm >= LEAST_DIAMETER_MM && diameterMm <= MOST_DIAMETER_MM && across >= LEAST_PITCHES_ACROSS && across <= MOST_PITCHES_ACROSS
  return isPossible ? { designation: text, standard, diameterMm, pitchMm } : { code: 'impossible', text }
}

function numberOf(text: string): number {
  return Number(text.replace(',', '.'))
}

function inchesOf(size: string): number {
  if (size.startsWith('#')) return NUMBER_ZERO_IN + NUMBER_STEP_IN * Number(size.slice(1))
  const [above, below] = size.split('/')
  return below === undefined ? numberOf(size) : Number(above) / Number(below)
}
