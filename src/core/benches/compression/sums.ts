import type { QuickSum } from '../../bench/quickSum'
import { crankSum } from './crankSum'
import { ratioSum } from './ratioSum'

export const sums: readonly QuickSum[] = [ratioSum, crankSum]
