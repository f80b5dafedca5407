'use client'
import { useState } from 'react'
import type { PaperKey, PaperNumber, Spec } from '@/core/document'
import { parseEntry } from '@/core/units'
import type { QuickSum } from '@/core/sums'
import { Button } from '@/ui/Button'
import { Notice } from '@/ui/Page'
import { BuildPicker } from '@/features/fields/BuildPicker'
import type { BuildChoice } from '@/shop/latestBuilds'
import { send } from '@/features/entries/send'
import { Row } from '@/ui/Layout'

/** Keeps the numbers of a quick sum as a build's paper, with the sum as their source. */
export function KeepIntoBuild({
  sum,
  typed,
  system,
  builds,
  by,
}: {
  sum: QuickSum
  typed: Readonly<Record<string, string>>
  system: 'metric' | 'inch'
  builds: readonly BuildChoice[]
  by: string
}) {
  const [chosen, setChosen] = useState(builds[0]?.id ?? '')
  const [said, setSaid] = useState<{ words: string; tone: 'good' | 'bad' }>()
  const numbers = paperOf(sum, typed, system)
  if (numbers.size === 0 || builds.length === 0) return null

  async function store(): Promise<void> {
    const response = await fetch(`/api/builds/${chosen}/spec?revision=latest`).catch(() => undefined)
    if (!response?.ok) return setSaid({ words: 'The server does not answer. Nothing was changed.', tone: 'bad' })
    const { spec, revision } = (await response.json()) as { spec: Spec; revision: number }
    const paper = { ...spec.paper, ...Object.fromEntries(numbers) }
    const answer = await send(`/api/builds/${chosen}/spec`, {
      basedOn: revision,
      by,
      reason: `kept from the quick sum ${sum.title.toLowerCase()}`,
      spec: { ...spec, paper },
    })
    setSaid(
      answer.ok
        ? { words: `Kept ${numbers.size} numbers as paper of ${spec.name}. They can be undone on its paper page.`, tone: 'good' }
        : { words: answer.error, tone: 'bad' },
    )
  }

  return (
    <>
      <Row>
        <BuildPicker id="keep-into" label="Keep as paper of" builds={builds} value={chosen} onChange={setChosen} />
        <Button onPress={store}>Keep</Button>
      </Row>
      {said && (
        <Notice data-tone={said.tone} role="status">
          {said.words}
        </Notice>
      )}
    </>
  )
}

/** The inputs that a build keeps on paper. A ± at 95 % becomes a tolerance of the same uncertainty: a·1/√3 = ±/2. */
function paperOf(sum: QuickSum, typed: Readonly<Record<string, string>>, system: 'metric' | 'inch'): ReadonlyMap<PaperKey, PaperNumber> {
  const numbers = new Map<PaperKey, PaperNumber>()
  for (const [name, input] of Object.entries(sum.inputs)) {
    if (
      !input.paper ||
      input.kind === 'any' ||
      input.kind === 'unitName' ||
      input.kind === 'table' ||
      input.kind === 'words' ||
      !typed[name]?.trim()
    )
      continue
    const entry = parseEntry(typed[name], {
      kind: input.kind,
      unit: input.units[system],
      signed: true,
      bottomCentreDeg: input.bottomCentreDeg,
    })
    if (!entry.ok) continue
    const tolerance = entry.plusMinus === undefined ? {} : { tolerance: (entry.plusMinus / 2) * Math.sqrt(3) }
    numbers.set(input.paper, { value: entry.value, unit: entry.unit, ...tolerance, source: `quick sum ${sum.title.toLowerCase()}` })
  }
  return numbers
}
