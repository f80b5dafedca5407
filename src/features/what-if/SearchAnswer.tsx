'use client'
import { benchById, type Output, type OutputId } from '@/core/benches'
import { benchOf, type UnitSystem } from '@/core/document'
import { SEARCHED, shownAs, variantOf, type Binding, type Settings, type Variant } from '@/core/whatIf'
import { Button } from '@/ui/Button'
import { Table } from '@/ui/Table'
import { VerdictMark } from '@/ui/VerdictMark'
import { showFigure } from '@/wording'
import { settingWords } from '@/wording/whatIf'
import type { FoundVariants } from '@/workers/whatIf'
import type { WhatIf } from './useWhatIf'

const bindingWords = ({ figure, variants }: Binding) => `${shownAs(figure).label}, alone in the way of ${variants.toLocaleString('en')}`

/** What is shown of each variant: what may be wanted, each output once, without what only says how far its parts are apart. */
const SHOWN = [...new Set(SEARCHED.flatMap(({ wish, output }) => (wish && !definedAs(output).spread ? [output] : [])))]

function definedAs(output: OutputId): Output {
  return benchById(benchOf(output)).definition.outputs[output]!
}

/** The front of a search, or what binds; each can be looked at. */
export function SearchAnswer({
  found,
  what,
  system,
  onClose,
}: {
  found: FoundVariants
  what: WhatIf
  system: UnitSystem
  onClose: () => void
}) {
  const { tried, passed, broken, settings, binding, nearest } = found
  const look = (one: Settings) => {
    what.set({ ...what.settings, ...one })
    onClose()
  }
  return (
    <>
      <p>
        {tried.toLocaleString('en')} tried, {passed.toLocaleString('en')} keep the limits that are searched over.
        {broken > 0 && ` ${broken.toLocaleString('en')} that looked best break another limit and are left out, or marked.`}
      </p>
      {passed === 0 && (
        <p role="alert">
          None is left.{' '}
          {binding.length > 0 ? `What binds: ${binding.map(bindingWords).join('; ')}.` : 'Every variant misses several limits at once.'}
        </p>
      )}
      {nearest && (
        <Button size="small" onPress={() => look(nearest)}>
          Look at the nearest miss
        </Button>
      )}
      {settings.length > 0 && (
        <Table>
          <thead>
            <tr>
              <th scope="col">Turn</th>
              {SHOWN.map((output) => (
                <th scope="col" key={output}>
                  {definedAs(output).label}
                </th>
              ))}
              <th scope="col">Breaks</th>
              <th scope="col" aria-label="Look" />
            </tr>
          </thead>
          <tbody>
            {settings.map((one) => (
              <FoundRow key={JSON.stringify(one)} settings={one} what={what} system={system} onLook={() => look(one)} />
            ))}
          </tbody>
        </Table>
      )}
    </>
  )
}

function FoundRow({ settings, what, system, onLook }: { settings: Settings; what: WhatIf; system: UnitSystem; onLook: () => void }) {
  const variant = variantOf(what.today, settings)
  const words = what.knobs.flatMap(({ knob, today }) => {
    const value = settings[knob.id]
    return value === undefined || Math.abs(value - today) < 1e-9 ? [] : [`${knob.label} ${settingWords(knob, value, system)}`]
  })
  return (
    <tr>
      <td>{words.join(', ') || 'As today'}</td>
      {SHOWN.map((output) => {
        const headline = variant.headlines.find((one) => one.output === output)
        return (
          <td data-figure key={output}>
            {headline?.next ? showFigure(headline.next.low, headline.shown, system).value : '–'}
          </td>
        )
      })}
      <td>
        <Breaks variant={variant} />
      </td>
      <td>
        <Button size="small" onPress={onLook}>
          Look
        </Button>
      </td>
    </tr>
  )
}

/** What a variant breaks, by name; valves that come too near want a reason before it is taken. */
function Breaks({ variant: { headlines, near } }: { variant: Variant }) {
  const labels = headlines.filter(({ breaks }) => breaks.length > 0).map(({ shown }) => shown.label)
  const all = [...new Set([...labels, ...(near.length > 0 ? ['valves too near'] : [])])]
  if (all.length === 0) return 'nothing'
  return (
    <>
      <VerdictMark standing="over" /> {all.join(', ')}
    </>
  )
}
