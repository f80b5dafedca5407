'use client'
import type { Build } from '@/core/document'
import { span } from '@/core/numerics/span'
import { Button } from '@/ui/Button'
import { Table } from '@/ui/Table'
import type { SpecEdit } from '@/features/entries/useSpec'
import { Row } from '@/ui/Layout'

/** A figure of every cylinder that changes with the piston in it. */
export interface PlanFigure {
  readonly title: string
  readonly of: (pistonInBore: readonly number[]) => readonly number[]
  readonly show: (value: number) => string
}

/** Which marked piston goes into which bore, now and by a plan: what each cylinder then comes to, and the plan taken or dropped. */
export function PistonPlan({
  build,
  before,
  after,
  figures,
  reason,
  edit,
}: {
  build: Build
  before: readonly number[]
  after: readonly number[]
  figures: readonly PlanFigure[]
  /** Of the revision the plan makes. */
  reason: string
  edit: SpecEdit
}) {
  const take = (plan: readonly number[] | undefined, why: string) =>
    edit.change(why, (spec) => {
      const { pistonInBore: _, ...choice } = spec.choice
      return { ...spec, choice: plan ? { ...choice, pistonInBore: [...plan] } : choice }
    })
  return (
    <>
      <PlanTable before={before} after={after} figures={figures} />
      <Row>
        <Button kind="primary" isDisabled={after.join() === before.join()} onPress={() => take(after, reason)}>
          Take this plan
        </Button>
        {build.spec.choice.pistonInBore && (
          <Button onPress={() => take(undefined, 'each piston into its own bore')}>Each into its own bore</Button>
        )}
      </Row>
      <p>
        Readings keep the mark they were taken on; the plan says which bore a marked piston goes into. Mark the crowns again before
        assembly.
      </p>
    </>
  )
}

/** Bore by bore: the piston and its figures, now and by the plan. */
function PlanTable({ before, after, figures }: { before: readonly number[]; after: readonly number[]; figures: readonly PlanFigure[] }) {
  const plans = [before, after]
  return (
    <Table>
      <thead>
        <tr>
          <th scope="col">Bore</th>
          {['now', 'then'].map((when) => [
            <th key={when} scope="col">
              Piston {when}
            </th>,
            ...figures.map(({ title }) => (
              <th key={title + when} scope="col">
                {title}
              </th>
            )),
          ])}
        </tr>
      </thead>
      <tbody>
        {before.map((mark, index) => (
          <tr key={index}>
            <td data-figure>{index + 1}</td>
            {plans.map((plan, when) => [
              <td data-figure key={when}>
                {plan[index] === mark ? mark : <b>{plan[index]}</b>}
              </td>,
              ...figures.map(({ title, of, show }) => (
                <td data-figure key={title + when}>
                  {show(of(plan)[index]!)}
                </td>
              )),
            ])}
          </tr>
        ))}
        <tr>
          <td>spread</td>
          {plans.map((plan, when) => [
            <td data-figure key={when} />,
            ...figures.map(({ title, of, show }) => (
              <td data-figure key={title + when}>
                {show(span(of(plan)))}
              </td>
            )),
          ])}
        </tr>
      </tbody>
    </Table>
  )
}
