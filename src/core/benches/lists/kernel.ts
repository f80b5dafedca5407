/**
 * The figures of each bench that variants are searched by.
 * Written by `npm run benches`: a bench is one line in `core/benches/benches.json`.
 */
import { kernel as compression } from '../compression/kernel'
import { kernel as clearance } from '../clearance/kernel'

export const KERNEL_OF = { compression, clearance }
