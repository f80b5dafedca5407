/** Prints whether the numbers are true: coverage of the stated uncertainty, sums written twice, advice beside brute force. */
import { auditAdvice } from './audit/advice'
import { auditCoverage } from './audit/coverage'
import { auditSums } from './audit/sums'

const seeds = Number(process.env.KALIBROS_AUDIT_SEEDS ?? 1000)
const short = auditSums() + auditAdvice(60) + auditCoverage(seeds)
console.log(short === 0 ? 'Nothing falls short.' : `${short} fall short.`)
process.exitCode = short === 0 ? 0 : 1
