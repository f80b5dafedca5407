/** Prints every figure the program is held to, and how it stands. */
import { coreFigures } from './core'
import { drawFigures } from './draws'
import { pageFigures } from './page'
import { Report } from './report'
import { scheduleFigures } from './schedule'
import { shopFigures } from './shop'
import { whatIfFigures } from './whatIf'

const report = new Report()
await coreFigures(report)
await drawFigures(report)
await scheduleFigures(report)
whatIfFigures(report)
await pageFigures(report)
await shopFigures(report)
console.log(report.over === 0 ? 'Every figure is within its bound.' : `${report.over} figures are over.`)
process.exitCode = report.over === 0 ? 0 : 1
