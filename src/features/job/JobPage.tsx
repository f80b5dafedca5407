'use client'
import { useState } from 'react'
import { agreedRepairs, spentOn, type Damage } from '@/core/parts'
import type { ChangeId } from '@/core/document/walkStages'
import { Button, LinkButton } from '@/ui/Button'
import { useDevice } from '@/ui/device'
import { useHydrated } from '@/ui/lazyPart'
import { Lead, Main, Notice, Section, SectionTitle, Title, TopBar } from '@/ui/Page'
import { INITIALS_WANTED } from '@/wording/initials'
import type { ServedParts } from '../parts/servedParts'
import { useParts } from '../parts/useParts'
import { RefusedChange } from '@/features/entries/RefusedChange'
import { useSpec } from '@/features/entries/useSpec'
import { Row } from '@/ui/Layout'
import { AgreedFields } from './AgreedFields'
import { DamageList } from './DamageList'
import { DamagePanel } from './DamagePanel'

/** The job: what was agreed, what it has cost, and what was found. */
export function JobPage({ served }: { served: ServedParts }) {
  const device = useDevice()
  const system = device.systemFor(served.spec.units, served.id)
  const edit = useSpec(served.id, served.spec, served.revision, device.initials)
  const list = useParts(served)
  return (
    <div data-ready={useHydrated() || undefined}>
      <TopBar
        trail={[
          { href: `/builds/${served.id}`, words: served.spec.name },
          { href: '#', words: 'Job' },
        ]}
        ownSystem={served.spec.units}
        buildId={served.id}
      />
      <Main>
        <Row $spread="apart">
          <Title>Job</Title>
          <LinkButton href={`/builds/${served.id}/parts`}>Parts</LinkButton>
        </Row>
        {device.initials === '' && <Notice>{INITIALS_WANTED}</Notice>}
        {list.trouble && <Notice role="status">{list.trouble}</Notice>}
        <Section>
          <SectionTitle>Agreed</SectionTitle>
          <AgreedFields edit={edit} system={system} />
          <Lead>{moneyWords(edit.spec.job?.budget, spentOn(list.parts), agreedRepairs(list.damages).price)}</Lead>
        </Section>
        <AsFound list={list} by={device.initials} />
      </Main>
      <RefusedChange edit={edit} />
    </div>
  )
}

/** What was found, and what is done about it. */
function AsFound({ list: { damages, tell, change, undo }, by }: { list: ReturnType<typeof useParts>; by: string }) {
  const [isSeeing, setSeeing] = useState(false)
  const isNobody = by === ''
  const repaired = ({ id, text, answer }: Damage) => {
    const { stales, text: done } = answer!.option!
    if (stales) change(by, stales as ChangeId, `${text}: ${done}`)
    tell(by, id, { did: 'repaired' })
  }
  return (
    <Section>
      <Row $spread="apart">
        <SectionTitle>As found</SectionTitle>
        <Button onPress={() => setSeeing(true)} isDisabled={isNobody}>
          Something is worn or damaged…
        </Button>
      </Row>
      {damages.length === 0 && <p>Nothing is noted. What is seen before it is cleaned says what failed.</p>}
      <DamageList
        damages={damages}
        onTell={(damage, said) => !isNobody && tell(by, damage, said)}
        onRepaired={(damage) => !isNobody && repaired(damage)}
        onUndo={(damage) => !isNobody && undo(by, damage)}
      />
      {isSeeing && (
        <DamagePanel
          onSee={(said) => {
            tell(by, undefined, said)
            setSeeing(false)
          }}
          onClose={() => setSeeing(false)}
        />
      )}
    </Section>
  )
}

/** What is spent and agreed on, beside what there is. */
function moneyWords(budget: number | undefined, { spent, unpriced }: ReturnType<typeof spentOn>, repairs: number): string {
  const total = spent + repairs
  const without = unpriced > 0 ? ` ${unpriced === 1 ? 'One part has' : `${unpriced} parts have`} no price yet.` : ''
  const of = `${total.toFixed(2)} so far: ${spent.toFixed(2)} on parts, ${repairs.toFixed(2)} on repairs that were agreed.${without}`
  if (budget === undefined) return of
  return total > budget
    ? `${of} That is ${(total - budget).toFixed(2)} over the budget.`
    : `${of} ${(budget - total).toFixed(2)} of the budget is left.`
}
