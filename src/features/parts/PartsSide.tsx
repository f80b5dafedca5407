'use client'
import type { Spec, UnitSystem } from '@/core/document'
import { misfitsOf, spentOn, weakestParts, type RequiredRatings, type Part } from '@/core/parts'
import { Button } from '@/ui/Button'
import { SideSection } from '@/ui/SideSection'
import { VerdictMark } from '@/ui/VerdictMark'
import { misfitWords, weakestWords } from '@/wording/parts'

interface PartsSideProps {
  readonly parts: readonly Part[]
  readonly spec: Spec
  readonly asked: RequiredRatings
  readonly system: UnitSystem
}

/** What parts are to each other and to this engine, what they cost, and where the small ones lie. */
export function PartsSide({ parts, spec, asked, system }: PartsSideProps) {
  const misfits = misfitsOf(parts, spec.layout)
  const weakest = weakestParts(parts, asked)
  const { spent, unpriced } = spentOn(parts)
  const lying = parts.filter(({ lies }) => lies)
  return (
    <aside aria-label="Parts together">
      <SideSection aria-label="Goes together">
        <h2>Goes together</h2>
        {misfits.length === 0 && <p>Nothing on the list is at odds with anything else on it.</p>}
        <ul>
          {misfits.map((misfit) => (
            <li key={misfitWords(misfit)}>
              <VerdictMark standing={misfit.is === 'gear' ? 'over' : 'inDoubt'} /> {misfitWords(misfit)}
            </li>
          ))}
        </ul>
      </SideSection>
      <SideSection aria-label="The weakest part">
        <h2>The weakest part</h2>
        {weakest.length === 0 && <p>No maker’s word on what any part stands.</p>}
        <ul>
          {weakest.map((one) => (
            <li key={one.rating}>
              <VerdictMark standing={one.isShort ? 'over' : 'within'} /> {weakestWords(one, system)}
            </li>
          ))}
        </ul>
      </SideSection>
      <SideSection aria-label="Money">
        <h2>Money</h2>
        <p>
          {spent.toFixed(2)} on parts of the shop’s{spec.job?.budget !== undefined && `, of ${spec.job.budget.toFixed(2)} agreed`}
          {unpriced > 0 && `; ${unpriced} without a price`}.
        </p>
      </SideSection>
      <SideSection aria-label="Small parts">
        <h2>Small parts</h2>
        {lying.length === 0 && <p>None is said to lie anywhere.</p>}
        <ul>
          {lying.map(({ id, name, lies }) => (
            <li key={id}>
              <b>{lies!.pot}</b>: {name}
              {lies!.fluid && `, in ${lies!.fluid}`}
            </li>
          ))}
        </ul>
        {lying.length > 0 && (
          <Button size="small" onPress={() => window.print()}>
            Print labels
          </Button>
        )}
      </SideSection>
    </aside>
  )
}
