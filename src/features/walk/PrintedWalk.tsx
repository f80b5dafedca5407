import styled from 'styled-components'
import { WALK_STAGES } from '@/core/document/walkStages'
import type { WalkStep } from '@/core/walk'
import { STAGE_WORDS, stepCaution, stepTitle, stepWhy, waitsWords } from '@/wording/walk'

/** On paper alone. */
const Sheet = styled.article`
  display: none;
  @media print {
    display: block;
    font-size: 10.5pt;
  }
  h1 {
    font-size: 18pt;
    margin-bottom: 6pt;
  }
  h2 {
    font-size: 13pt;
    margin: 10pt 0 2pt;
    border-bottom: 1px solid;
    break-after: avoid;
  }
  li {
    display: grid;
    grid-template-columns: 14pt 22pt minmax(0, 1fr) 90pt;
    gap: 4pt;
    padding: 3pt 0;
    break-inside: avoid;
  }
  small {
    display: block;
    font-size: 9pt;
  }
`
const Tick = styled.span`
  width: 10pt;
  height: 10pt;
  border: 1px solid;
  line-height: 9pt;
  text-align: center;
`

/** The whole walk as a checklist: a box a step, ticked where it is done, with its caution and what it waits for. */
export function PrintedWalk({
  name,
  steps,
  numberOf,
  titleOf,
}: {
  name: string
  steps: readonly WalkStep[]
  numberOf: (id: string) => number
  titleOf: (id: string) => string
}) {
  return (
    <Sheet>
      <h1>{name}: the walk</h1>
      {WALK_STAGES.map((stage) => {
        const own = steps.filter((step) => step.stage === stage)
        return own.length === 0 ? null : (
          <section key={stage}>
            <h2>{STAGE_WORDS[stage].title}</h2>
            <ol>
              {own.map((step) => (
                <Line key={step.id} step={step} number={numberOf(step.id)} titleOf={titleOf} />
              ))}
            </ol>
          </section>
        )
      })}
    </Sheet>
  )
}

function Line({ step, number, titleOf }: { step: WalkStep; number: number; titleOf: (id: string) => string }) {
  const { standing, signOff, waits } = step
  const caution = stepCaution(step)
  const isOver = standing === 'done' || standing === 'leftOut'
  return (
    <li>
      <Tick>{standing === 'done' && '✓'}</Tick>
      <span>{number}</span>
      <span>
        <b>{stepTitle(step)}</b>
        {!isOver && stepWhy(step) && <small>{stepWhy(step)}</small>}
        {!isOver && caution && <small>{caution}</small>}
        {waits.some((wait) => 'hold' in wait) && <small>{waitsWords(waits, titleOf)}</small>}
        {standing === 'leftOut' && <small>Left out: {signOff?.reason}</small>}
      </span>
      <span>{signOff && isOver ? `${signOff.by} ${signOff.at.slice(0, 10)}` : ''}</span>
    </li>
  )
}
