import type { PartState } from '@/core/document'

/** What a part was when it was read, behind "judged" or "read". */
export const PART_STATE_WORDS: Readonly<Record<PartState, string>> = {
  asFound: 'as found',
  machined: 'as machined',
  trial: 'as put together on trial',
  final: 'as finally put together',
}

/** The same as a choice at the bench. */
export const PART_STATE_CHOICES: Readonly<Record<PartState, string>> = {
  asFound: 'As found',
  machined: 'Machined',
  trial: 'Trial assembly',
  final: 'Final assembly',
}
