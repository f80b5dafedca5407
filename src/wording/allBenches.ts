/** The sentences of every bench: for the book, the terminal and whoever shows more than one. */
import { benchWords, type CommonCost, type CommonRemark } from './benchWords'
import * as own from './benches/all'
import type { ChangeWords, CostWords, RemarkWords } from './vocabulary'

/** A code that no bench has a sentence for does not compile. */
const REMARKS: Omit<RemarkWords, CommonRemark> = own.REMARKS
const CHANGES: ChangeWords = own.CHANGES
const COSTS: Omit<CostWords, CommonCost> = own.COSTS

export const { remarkWords, changeWords, costWords } = benchWords({ REMARKS, CHANGES, COSTS })
