'use client'
import { useState } from 'react'
import styled from 'styled-components'
import { DRESS_PLACES, JOINT_METHODS, LUBES } from '@/core/joints/schema'
import type { Joint, JointGroup, UnitSystem } from '@/core/document'
import { parseStages, stagesOf, USUAL_SHARES } from '@/core/joints'
import { UNITS } from '@/core/units'
import { QuantityInput } from '@/ui/QuantityInput'
import { Words } from '@/ui/Words'
import { Button } from '@/ui/Button'
import { ChoiceRow, TextField } from '@/ui/fields'
import { Section, SectionTitle } from '@/ui/Page'
import { DRESS_WORDS, LUBE_CHOICES, METHOD_CHOICES, stagesIssueWords, stagesWords, wrenchUnit } from '@/wording'
import { TickLabel } from '@/ui/Layout'
import { withGroup, type ChangeJoint } from './planEdit'

export const Fields = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(250px, 1fr));
  gap: 14px;
  align-items: start;
  > button {
    align-self: end;
  }
`

interface GroupProps {
  readonly joint: Joint
  readonly group: JointGroup
  readonly index: number
  readonly system: UnitSystem
  readonly change: ChangeJoint
}

const METHODS = JOINT_METHODS.map((value) => ({ value, label: METHOD_CHOICES[value] }))

/** How a group of fasteners is torqued, how far, in which stages, and whose figures those are. */
export function GroupFields(props: GroupProps) {
  const { joint, group, index, change } = props
  const title = joint.groups.length > 1 ? `How far: ${group.name}` : 'How far'
  return (
    <Section aria-label={title}>
      <SectionTitle>{title}</SectionTitle>
      <ChoiceRow
        label="By"
        value={group.method}
        onChange={(method) => change(`by ${METHOD_CHOICES[method].toLowerCase()}`, (now) => withGroup(now, index, { method }))}
        options={METHODS}
      />
      {group.method !== 'none' && <Figures {...props} />}
      <Fields>
        {group.method !== 'none' && <MakersStages {...props} />}
        <Words
          label="Otherwise than its maker says, because"
          value={group.deviates ?? ''}
          onCommit={(deviates) => change('deviation', (now) => withGroup(now, index, { deviates: deviates || undefined }))}
        />
      </Fields>
      <Dress {...props} />
    </Section>
  )
}

function Figures({ group, index, system, change }: GroupProps) {
  const unit = wrenchUnit(system)
  const put = (words: string, next: Partial<JointGroup>) => change(words, (now) => withGroup(now, index, next))
  const { targetNm, targetFrom } = group
  return (
    <>
      <Fields>
        <QuantityInput
          label={`Figure chosen, ${UNITS[unit].symbol}`}
          value={targetNm}
          kind="torque"
          unit={unit}
          range={{ low: 0.5, high: 3000 }}
          onCommit={(next) => put('figure', { targetNm: next, ...(next !== undefined && !targetFrom && { targetFrom: NOT_SAID }) })}
        />
        <From
          label="Figure from"
          value={targetFrom ?? NOT_SAID}
          onCommit={(next) => put('where the figure is from', { targetFrom: next })}
        />
        <QuantityInput
          label={`The maker’s most, ${UNITS[unit].symbol}`}
          value={group.makersMostNm}
          kind="torque"
          unit={unit}
          range={{ low: 0.5, high: 3000 }}
          onCommit={(makersMostNm) => put('the maker’s most', { makersMostNm })}
        />
      </Fields>
      <Fields>
        <StagesField
          key={stagesWords(group.stages, system)}
          label="Stages"
          stages={group.stages}
          system={system}
          onCommit={(stages) => put('stages', { stages })}
        />
        <From label="Stages from" value={group.stagesFrom} onCommit={(stagesFrom) => put('where the stages are from', { stagesFrom })} />
        <Button
          isDisabled={targetNm === undefined}
          onPress={() =>
            targetNm !== undefined &&
            put('equal thirds', { stages: stagesOf(targetNm, USUAL_SHARES), stagesFrom: { source: 'common practice: equal thirds' } })
          }
        >
          Take equal thirds
        </Button>
      </Fields>
    </>
  )
}

const NOT_SAID = { source: 'not said yet' }

/** Whose figure it is; one from memory asks before the first pull. */
export function From({
  label,
  value,
  onCommit,
}: {
  label: string
  value: { readonly source: string; readonly fromMemory?: true }
  onCommit: (from: { source: string; fromMemory?: true }) => void
}) {
  return (
    <div>
      <Words label={label} value={value.source} onCommit={(source) => onCommit({ ...value, source })} required />
      <TickLabel>
        <input
          type="checkbox"
          checked={value.fromMemory === true}
          onChange={({ target }) => onCommit({ source: value.source, ...(target.checked && { fromMemory: true }) })}
        />
        from memory
      </TickLabel>
    </div>
  )
}

/** What its maker's sheet says, where another rule is followed: it is compared, and the reason asked for. */
function MakersStages({ group, index, system, change }: GroupProps) {
  const stages = group.makersStages ?? []
  return (
    <StagesField
      key={stagesWords(stages, system)}
      label="The maker’s stages, where others are torqued"
      stages={stages}
      system={system}
      onCommit={(next) =>
        change('the maker’s stages', (now) => withGroup(now, index, { makersStages: next.length > 0 ? next : undefined }))
      }
    />
  )
}

interface StagesProps {
  readonly label: string
  readonly stages: JointGroup['stages']
  readonly system: UnitSystem
  readonly onCommit: (stages: JointGroup['stages']) => void
}

/** The stages as they are spoken of. What cannot be read stays in the field and is not stored. */
function StagesField({ label, stages, system, onCommit }: StagesProps) {
  const shown = stages.length === 0 ? '' : stagesWords(stages, system)
  const [text, setText] = useState(shown)
  const [error, setError] = useState<string>()
  const commit = () => {
    if (text.trim() === shown) return setError(undefined)
    const parsed = parseStages(text, wrenchUnit(system))
    if ('issue' in parsed) return setError(stagesIssueWords(parsed.issue))
    setError(undefined)
    onCommit(parsed.stages)
  }
  return (
    <TextField
      label={`${label}, ${UNITS[wrenchUnit(system)].symbol}`}
      hint="30, 55, 80 · 40, +90° · snug, 25"
      value={text}
      onChange={setText}
      onBlur={commit}
      onKeyDown={(event) => event.key === 'Enter' && commit()}
      error={error}
      numeric
    />
  )
}

/** Lube, locker or sealer, and what it goes on: the figure belongs to it. */
function Dress({ group, index, change }: GroupProps) {
  const { dress } = group
  const put = (next: JointGroup['dress']) => change('dress', (now) => withGroup(now, index, { dress: next }))
  const on = dress?.on ?? ['thread', 'nutFace']
  const from = dress?.from ?? NOT_SAID
  return (
    <Fields>
      <Words
        label="Lube, locker or sealer"
        value={dress?.with ?? ''}
        onCommit={(words) => put(words === '' ? undefined : { on, with: words, from })}
      />
      {dress && (
        <>
          <fieldset>
            <legend>on</legend>
            {DRESS_PLACES.map((place) => (
              <TickLabel key={place}>
                <input
                  type="checkbox"
                  checked={dress.on.includes(place)}
                  disabled={dress.on.length === 1 && dress.on.includes(place)}
                  onChange={({ target }) =>
                    put({ ...dress, on: DRESS_PLACES.filter((one) => (one === place ? target.checked : dress.on.includes(one))) })
                  }
                />{' '}
                {DRESS_WORDS[place]}
              </TickLabel>
            ))}
          </fieldset>
          <From label="Dress from" value={dress.from} onCommit={(next) => put({ ...dress, from: next })} />
          <ChoiceRow
            label="Which turns as"
            value={dress.lube ?? 'unknown'}
            onChange={(lube) => put(lube === 'unknown' ? { on: dress.on, with: dress.with, from: dress.from } : { ...dress, lube })}
            options={LUBES_OR_NOT}
          />
        </>
      )}
    </Fields>
  )
}

const LUBES_OR_NOT = [
  ...LUBES.map((value) => ({ value, label: LUBE_CHOICES[value] })),
  { value: 'unknown' as const, label: 'Not said: no clamp is worked out' },
]
