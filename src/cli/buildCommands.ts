/** Commands that look at a build file: what it comes to, whether it is sound, and by what schema. */
import type { Command } from 'commander'
import { BENCHES, openBuild, type Finding } from '@/core/benches'
import type { Build } from '@/core/document'
import { buildFileSchema, nowhereIn } from '@/core/files'
import { standardUncertainty } from '@/core/metrology'
import { findingWords, limitWords, standingOf, STANDING_WORDS, subjectWords, verdictWords } from '@/wording'
import { nowhereWords, setAsideWords } from '@/wording/walk'
import { readDocument } from './documents'
import { OUT_OF_LIMITS, type Terminal } from './terminal'
import { unitName } from './units'

export function addBuildCommands(program: Command, terminal: Terminal): void {
  program
    .command('derive')
    .argument('<file>', 'build file, or - for standard input')
    .option('--table', 'as a table instead of JSON')
    .option('--check', 'exit 1 when anything is out of its limits')
    .description('every finding of a build file')
    .action((file: string, options: { table?: boolean; check?: boolean }) => {
      const build = openBuild(readDocument(terminal, file))
      const findings = findingsOf(build)
      terminal.out(options.table ? tableOf(build, findings) : JSON.stringify(findings.map(findingJson), null, 2))
      if (options.check && findings.some(({ finding }) => isOut(finding))) terminal.exitCode = OUT_OF_LIMITS
    })

  program
    .command('validate')
    .argument('<file>')
    .description('say whether a build file is sound, and if not, where')
    .action((file: string) => {
      const document = readDocument(terminal, file)
      terminal.out(`${file}: sound. ${document.spec.name}, ${document.entries.length} entries.`)
      const build = openBuild(document)
      for (const entry of build.setAside) terminal.out(setAsideWords(entry))
      const nowhere = nowhereIn(build)
      if (nowhere.length > 0) terminal.out(nowhereWords(nowhere.length))
    })

  program
    .command('schema')
    .description('the JSON Schema of a build file')
    .action(() => terminal.out(JSON.stringify(buildFileSchema(), null, 2)))
}

function findingsOf(build: Build): readonly { readonly bench: (typeof BENCHES)[number]; readonly finding: Finding }[] {
  return BENCHES.flatMap((bench) => bench.derive(build).map((finding) => ({ bench, finding })))
}

function isOut(finding: Finding): boolean {
  return finding.conformity?.verdict === 'over' || finding.conformity?.verdict === 'under'
}

/** A finding as data, canonical units. */
function findingJson({ bench, finding }: ReturnType<typeof findingsOf>[number]) {
  const { kind, estimate } = bench.definition.outputs[finding.output]!
  return {
    id: finding.id,
    subject: subjectWords(finding) || 'engine',
    value: finding.figure?.value.value ?? null,
    unit: unitName(kind),
    u: finding.figure ? standardUncertainty(finding.figure.value) : null,
    limit: finding.limit ?? null,
    verdict: standingOf(finding),
    probability: finding.conformity?.probability ?? null,
    ...(estimate && { estimate: true }),
    ...(finding.missing.length > 0 && { missing: finding.missing }),
  }
}

function tableOf(build: Build, findings: ReturnType<typeof findingsOf>): string {
  const system = build.spec.units
  const rows = findings.map(({ bench, finding }) => {
    const output = bench.definition.outputs[finding.output]!
    return [
      `${bench.id}.${finding.id}`,
      finding.figure ? findingWords(finding, finding.figure.value, output, system) : '–',
      finding.limit ? limitWords(finding.limit, output, system) : '',
      finding.figure && finding.conformity ? verdictWords(finding, output, system) : STANDING_WORDS[standingOf(finding)],
    ]
  })
  const widths = [0, 1, 2].map((column) => Math.max(...rows.map((row) => row[column]!.length)))
  return rows.map((row) => row.map((cell, column) => (column < 3 ? cell.padEnd(widths[column]!) : cell)).join('  ')).join('\n')
}
