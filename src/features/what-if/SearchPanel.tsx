'use client'
import { useCallback, useState } from 'react'
import type { UnitSystem } from '@/core/document'
import type { LimitId } from '@/core/bench/bench'
import { combinationsOf, shownAs } from '@/core/whatIf'
import { documentOf } from '@/features/entries/documentOf'
import { useWork } from '@/features/benchFrame/useWork'
import { WorkRow } from '@/features/benchFrame/WorkRow'
import { TextField } from '@/ui/fields'
import { SidePanel } from '@/ui/SidePanel'
import { searchInWorker } from '@/workers/whatIf'
import { AIMED_AT, understood, usualSearch, type AskedBounds, type AskedRange, type AskedSearch } from './askedSearch'
import { isHeld } from './KnobRules'
import { SearchAnswer } from './SearchAnswer'
import { SearchBounds, SearchKnobs, SearchWishes } from './SearchFields'
import type { WhatIf } from './useWhatIf'

const aimedAt = AIMED_AT ? shownAs(AIMED_AT.limit).label : ''
/** No more combinations than are tried in a while. */
const MOST_TRIED = 400_000

/** Knobs with allowed steps, goals and limits: the front of best variants, or what binds. */
export function SearchPanel({ what, system, onClose }: { what: WhatIf; system: UnitSystem; onClose: () => void }) {
  const { build, knobs, locked } = what
  const there = knobs.filter((here) => !isHeld(here, locked))
  const { asked, ...set } = useAsked(() => usualSearch(build, there, system))
  const { question, unread } = understood(build, there, asked, system)
  const count = combinationsOf(question)
  const isKnown = !AIMED_AT || what.variant.headlines.some(({ output, today }) => output === AIMED_AT!.output && today)
  const job = useCallback(
    (signal: AbortSignal, onProgress: (share: number) => void) =>
      searchInWorker(documentOf(build), question, (done) => onProgress(done / count), signal),
    // The question is what was typed.
    // oxlint-disable-next-line react/exhaustive-deps
    [build, asked],
  )
  const { work, start, stop } = useWork(job)
  const canSearch = asked.picked.size > 0 && question.goals.length > 0 && unread.size === 0 && count <= MOST_TRIED
  return (
    <SidePanel title="Find the best" isOpen onClose={onClose}>
      <p>Every combination of the knobs picked, within the limits: those no other beats all round, confirmed over all benches.</p>
      <SearchKnobs there={there} asked={asked} unread={unread} system={system} onPick={set.pick} onRange={set.range} />
      {AIMED_AT?.wish && (
        <TextField
          label={AIMED_AT.wish.label}
          hint="left empty: any within its limit"
          value={asked.wanted}
          onChange={set.wanted}
          isInvalid={unread.has('wanted')}
          {...(unread.has('wanted') && { error: `This is no ${aimedAt.toLowerCase()}.` })}
          numeric
        />
      )}
      <SearchWishes wishes={asked.wishes} onWish={set.wish} />
      <SearchBounds asked={asked} unread={unread} system={system} onBounds={set.bounds} />
      {!isKnown && <p>{aimedAt} of this engine is not known yet: it is left out of the search.</p>}
      <p>
        <b>{count.toLocaleString('en')}</b> variants{count > MOST_TRIED && ': too many to try, pick fewer knobs or longer steps'}
        {question.goals.length === 0 && ': say what is wanted of them'}.
      </p>
      {canSearch && <WorkRow label="Search" work={work} start={start} stop={stop} words="Search" again="Search again" />}
      <div aria-live="polite">
        {work.state === 'stopped' && <p>Stopped; nothing was changed.</p>}
        {work.state === 'failed' && <p>{work.words}</p>}
        {work.state === 'done' && <SearchAnswer found={work.answer} what={what} system={system} onClose={onClose} />}
      </div>
    </SidePanel>
  )
}

/** What is asked for, and each way to ask for something else. */
function useAsked(usual: () => AskedSearch) {
  const [asked, setAsked] = useState(usual)
  return {
    asked,
    pick: (id: string) => setAsked((now) => ({ ...now, picked: toggled(now.picked, id) })),
    range: (id: string, range: AskedRange) => setAsked((now) => ({ ...now, ranges: { ...now.ranges, [id]: range } })),
    wanted: (wanted: string) => setAsked((now) => ({ ...now, wanted })),
    wish: (wish: LimitId) => setAsked((now) => ({ ...now, wishes: toggled(now.wishes, wish) })),
    bounds: (figure: LimitId, bounds: AskedBounds) => setAsked((now) => ({ ...now, bounds: { ...now.bounds, [figure]: bounds } })),
  }
}

function toggled<Value>(set: ReadonlySet<Value>, value: Value): ReadonlySet<Value> {
  return new Set(set.has(value) ? [...set].filter((one) => one !== value) : [...set, value])
}
