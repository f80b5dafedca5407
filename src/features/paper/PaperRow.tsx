'use client'
import { PAPER } from '@/core/benches'
import type { PaperDefinition, PaperKey, PaperNumber, UnitSystem } from '@/core/document'
import { UNITS, type UnitId } from '@/core/units'
import type { SpecEdit } from '@/features/entries/useSpec'
import { Button } from '@/ui/Button'
import { AnotherPaper, OtherPapers } from './OtherPapers'
import { PaperGrid } from './PaperGrid'
import { QuantityInput } from '@/ui/QuantityInput'
import { Words } from '@/ui/Words'

/** What a tolerance leaves open: one error that all pieces share, which cancels between them, or another for each. */
const VARIES_WORDS = { set: 'alike for all', piece: 'each its own' } as const

/** One number on paper: its value, what it may be off, whose sheet says so and why. */
export function PaperRow({ name, edit, system }: { name: PaperKey; edit: SpecEdit; system: UnitSystem }) {
  const definition = PAPER[name]
  const paper = edit.spec.paper[name] as PaperNumber | undefined
  const unit = definition.units[system]
  const put = (change: Partial<PaperNumber>, reason: string) =>
    edit.change(reason, (spec) => {
      const before = spec.paper[name] ?? { value: Number.NaN, unit, source: 'source not said' }
      return { ...spec, paper: { ...spec.paper, [name]: { ...before, ...change } } }
    })
  const setValue = (value: number | undefined, typedUnit: UnitId) => {
    if (value !== undefined) return put({ value, unit: typedUnit }, definition.label)
    return edit.change(`${definition.label} taken off`, (spec) => ({
      ...spec,
      paper: Object.fromEntries(Object.entries(spec.paper).filter(([key]) => key !== name)),
    }))
  }
  const title = `${definition.label}${UNITS[unit].symbol && `, ${UNITS[unit].symbol}`}`
  const others = paper && {
    definition,
    paper,
    system,
    onPut: (next: PaperNumber, words: string) => edit.change(words, (spec) => ({ ...spec, paper: { ...spec.paper, [name]: next } })),
  }
  return (
    <>
      <PaperGrid id={`paper.${name}`} tabIndex={-1}>
        <p>
          <b>{title}</b>
          {definition.hint && <small>{definition.hint}</small>}
          {others && <AnotherPaper {...others} />}
        </p>
        <QuantityInput
          quiet
          label={title}
          value={paper?.value}
          kind={definition.kind}
          unit={unit}
          onCommit={setValue}
          range={definition}
          bottomCentreDeg={name === 'intakeClosing' ? 180 : undefined}
          event={definition.event}
        />
        {paper ? (
          <AboutNumber definition={definition} paper={paper} unit={unit} put={put} />
        ) : (
          <>
            <span />
            <span />
            <span />
          </>
        )}
      </PaperGrid>
      {others && <OtherPapers {...others} />}
    </>
  )
}

/** What a number on paper may be off, whose sheet says so, and why it is taken. */
function AboutNumber({
  definition: { label, kind, eachPiece },
  paper,
  unit,
  put,
}: {
  definition: PaperDefinition
  paper: PaperNumber
  unit: UnitId
  put: (change: Partial<PaperNumber>, reason: string) => void
}) {
  const varies = paper.varies ?? 'set'
  const otherWay = varies === 'set' ? 'piece' : 'set'
  return (
    <>
      <div>
        <QuantityInput
          quiet
          label={`${label} ±`}
          value={paper.tolerance}
          kind={kind}
          unit={unit}
          size
          onCommit={(tolerance) => put({ tolerance }, `${label} tolerance`)}
        />
        {eachPiece && paper.tolerance ? (
          <Button
            size="small"
            kind="plain"
            aria-label={`${label} ±: ${VARIES_WORDS[varies]}. Change`}
            onPress={() => put({ varies: otherWay }, `${label} ±: ${VARIES_WORDS[otherWay]}`)}
          >
            {VARIES_WORDS[varies]}
          </Button>
        ) : null}
      </div>
      <Words quiet label={`${label}: source`} value={paper.source} onCommit={(source) => put({ source }, `${label} source`)} required />
      <Words
        quiet
        label={`${label}: reason`}
        value={paper.reason ?? ''}
        onCommit={(reason) => put({ reason: reason || undefined }, `${label} reason`)}
      />
    </>
  )
}
