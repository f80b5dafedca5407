'use client'
import Link from 'next/link'
import styled from 'styled-components'
import type { Joint } from '@/core/document'
import { fastenersLeftOut, jointsOf, planIssues, runsOf, tightRun, type Run } from '@/core/joints'
import { useDevice } from '@/ui/device'
import { numerals, PHONE } from '@/ui/GlobalStyle'
import { Lead, Main, Title, TopBar } from '@/ui/Page'
import { leftOutWords, METHOD_CHOICES, runCountWords, stagesWords, WAY_WORDS } from '@/wording'
import type { ServedJoints } from './servedJoints'
import { turnsOf } from '@/core/joints/turns'

const List = styled.ul`
  border-top: 2px solid var(--dye);
  li {
    display: grid;
    grid-template-columns: minmax(180px, 1.3fr) 90px 1.6fr 1.4fr;
    gap: 16px;
    align-items: baseline;
    padding: 12px 0;
    border-bottom: 1px solid var(--hairline);
    a {
      font-size: 17px;
      font-weight: 600;
    }
    [data-number] {
      ${numerals}
    }
    [data-quiet] {
      color: var(--quiet);
    }
    [data-bad] {
      color: var(--out);
    }
    ${PHONE} {
      grid-template-columns: 1fr auto;
    }
  }
`

/** Every joint of the engine: how far it is torqued, and how far its run has come. */
export function JointsPage({ served }: { served: ServedJoints }) {
  const { spec, id, pulls } = served
  const device = useDevice()
  const system = device.systemFor(spec.units, id)
  return (
    <>
      <TopBar
        trail={[
          { href: `/builds/${id}`, words: spec.name },
          { href: '#', words: 'Joints' },
        ]}
        ownSystem={spec.units}
        buildId={id}
      />
      <Main>
        <Title>Joints</Title>
        <Lead>
          The joints an engine of this layout has, each with its fasteners in order. Figures come from the makers’ sheets: type them in
          once, and nobody looks for a number with the wrench in hand.
        </Lead>
        <List>
          {jointsOf(spec).map((joint) => (
            <li key={joint.id}>
              <Link href={`/builds/${id}/joints/${joint.id}`}>{joint.name}</Link>
              <span data-number>{joint.fasteners.length} ×</span>
              <span>
                {joint.groups
                  .map((group) => (group.method === 'none' ? METHOD_CHOICES.none : stagesWords(group.stages, system)))
                  .join('; ')}
                {planIssues(joint).length > 0 && <b data-bad> · to be put right</b>}
              </span>
              <span data-quiet>{runWords(joint, runsOf(joint, pulls))}</span>
            </li>
          ))}
        </List>
      </Main>
    </>
  )
}

/** How the joint stands, and what was done to it last. */
function runWords(joint: Joint, runs: readonly Run[]): string {
  const [last] = runs
  if (!last) return 'not begun'
  const way = WAY_WORDS[last.way].toLowerCase()
  if (!last.isEnded) return `${way}: ${runCountWords(last)}`
  const tight = tightRun(runs)
  const stands = tight ? ['tight', leftOutWords(fastenersLeftOut(tight), turnsOf(joint))] : ['not tight']
  return [...stands, joint.state === 'trial' ? 'trial' : '', `${way} ${last.last.at.slice(0, 10)}, ${last.last.by}: ${runCountWords(last)}`]
    .filter(Boolean)
    .join(', ')
}
