'use client'
import { useState } from 'react'
import type { Joint, UnitSystem } from '@/core/document'
import { isThread, readSections, readThread } from '@/core/joints/bolts'
import { QuantityInput } from '@/ui/QuantityInput'
import { Words } from '@/ui/Words'
import { Section, SectionTitle } from '@/ui/Page'
import { UNITS } from '@/core/units'
import { sectionsWords } from '@/wording'
import { TickLabel } from '@/ui/Layout'
import { Fields } from './GroupFields'
import type { ChangeJoint } from './planEdit'

type FastenerType = Joint['types'][number]

/** What the fasteners are: thread, length, what they bear, from whose sheet. */
export function FastenerFields({ joint, system, change }: { joint: Joint; system: UnitSystem; change: ChangeJoint }) {
  return (
    <Section aria-label="Fasteners">
      <SectionTitle>Fasteners</SectionTitle>
      {joint.types.map((type) => (
        <TypeFields
          key={type.letter}
          type={type}
          count={joint.fasteners.filter((fastener) => fastener.type === type.letter).length}
          system={system}
          put={(words, next) =>
            change(`${type.letter}: ${words}`, (now) => ({
              ...now,
              types: now.types.map((one) => (one.letter === type.letter ? { ...one, ...next } : one)),
            }))
          }
        />
      ))}
    </Section>
  )
}

/** Length × diameter of each part of a bolt, effective lengths: what its stretch is worked out from. */
function SectionsField({ type, system, put }: { type: FastenerType; system: UnitSystem; put: PutType }) {
  const [trouble, setTrouble] = useState('')
  const commit = (text: string) => {
    const read = text === '' ? [] : readSections(text)
    if ('code' in read) return setTrouble(`No length × diameter, as 27x7.6: “${read.text}”. Kept as it was.`)
    setTrouble('')
    const sections = read.map(({ lengthMm, diameterMm }) => ({ lengthMm: lengthMm.value.value, diameterMm: diameterMm.value.value }))
    put('sections', { sections: sections.length > 0 ? sections : undefined })
  }
  return (
    <div>
      <Words
        label={system === 'metric' ? 'Sections, mm: 27x7.6,8x8.35' : 'Sections: 1.05 in x 0.388 in, …'}
        value={sectionsWords(type.sections, system)}
        onCommit={commit}
      />
      <small role={trouble ? 'alert' : undefined}>{trouble || 'effective lengths: with head and engaged thread'}</small>
    </div>
  )
}

type PutType = (words: string, next: Partial<FastenerType>) => void

function TypeFields({ type, count, system, put }: { type: FastenerType; count: number; system: UnitSystem; put: PutType }) {
  const length = system === 'metric' ? 'mm' : 'in'
  const isUnreadable = type.thread !== undefined && !isThread(readThread(type.thread))
  return (
    <Fields>
      <div>
        <Words
          label={`Type ${type.letter}, ${count} of them: thread`}
          value={type.thread ?? ''}
          onCommit={(thread) => put('thread', { thread: thread || undefined })}
        />
        {isUnreadable && <small role="alert">No thread: M10x1.25, 7/16-20; metric ones with their pitch.</small>}
      </div>
      <QuantityInput
        label={`Length, ${UNITS[length].symbol}`}
        value={type.lengthMm}
        kind="length"
        unit={length}
        range={{ low: 1, high: 1000 }}
        onCommit={(lengthMm) => put('length', { lengthMm })}
      />
      <QuantityInput
        label="Yields at, MPa"
        value={type.yieldMpa}
        kind="stress"
        unit="MPa"
        range={{ low: 100, high: 3000 }}
        onCommit={(yieldMpa) => put('yield', { yieldMpa })}
      />
      <QuantityInput
        label="Proof stress, MPa"
        value={type.proofMpa}
        kind="stress"
        unit="MPa"
        range={{ low: 100, high: 3000 }}
        onCommit={(proofMpa) => put('proof stress', { proofMpa })}
      />
      <QuantityInput
        label={`Thread in the casting, ${UNITS[length].symbol}`}
        value={type.engagedMm}
        kind="length"
        unit={length}
        range={{ low: 1, high: 200 }}
        onCommit={(engagedMm) => put('engaged thread', { engagedMm })}
      />
      <SectionsField type={type} system={system} put={put} />
      <Words label="From" value={type.source ?? ''} onCommit={(source) => put('source', { source: source || undefined })} />
      <TickLabel>
        <input
          type="checkbox"
          checked={type.onceOnly === true}
          onChange={({ target }) => put(target.checked ? 'once only' : 'used again', { onceOnly: target.checked ? true : undefined })}
        />
        used once only
      </TickLabel>
    </Fields>
  )
}
