/**
 * Tasks that wait for each other: earliest and latest times, slack, what is critical (critical path method: J. E. Kelley, M. R. Walker,
 * Critical-path planning and scheduling, 1959). Times in minutes from the beginning of the plan.
 */

export interface Link {
  readonly on: string
  /** What has to pass in between, minutes: lifters that soak. */
  readonly lag: number
}

export interface Task {
  readonly id: string
  readonly minutes: number
  readonly after: readonly Link[]
  /** Not sooner, whatever comes before it: what a part is promised for. */
  readonly notBefore?: number
}

export interface Timed {
  readonly start: number
  readonly finish: number
}

export interface Slacked extends Timed {
  /** By how much it may be later without its end being later. */
  readonly slack: number
  readonly isCritical: boolean
}

/** Below this two times are the same: sums of minutes, in binary. */
const SAME_MIN = 1e-6

/** Tasks with every one after all it waits for; links to tasks there are not count as done. @throws where they wait in a circle */
export function inOrder<Of extends Pick<Task, 'id' | 'after'>>(tasks: readonly Of[]): readonly Of[] {
  const byId = new Map(tasks.map((task) => [task.id, task]))
  const placed = new Map<string, 'open' | 'done'>()
  const ordered: Of[] = []
  // Without recursion: a chain of two thousand tasks is one long chain.
  for (const root of tasks) {
    const path: { readonly task: Of; next: number }[] = placed.has(root.id) ? [] : [{ task: root, next: 0 }]
    if (path.length > 0) placed.set(root.id, 'open')
    while (path.length > 0) {
      const top = path.at(-1)!
      const link = top.task.after[top.next++]
      if (!link) {
        placed.set(top.task.id, 'done')
        ordered.push(top.task)
        path.pop()
        continue
      }
      const before = byId.get(link.on)
      const is = placed.get(link.on)
      if (!before || is === 'done') continue
      if (is === 'open') throw new Error(`Tasks wait for each other in a circle: ${link.on}`)
      placed.set(link.on, 'open')
      path.push({ task: before, next: 0 })
    }
  }
  return ordered
}

/** Each as early as what it waits for lets it, with as many people as it takes. */
export function earliest(tasks: readonly Task[]): ReadonlyMap<string, Timed> {
  const times = new Map<string, Timed>()
  for (const task of inOrder(tasks)) {
    const start = readyAt(task, times)
    times.set(task.id, { start, finish: start + task.minutes })
  }
  return times
}

/** When all that a task waits for is over. */
export function readyAt({ after, notBefore = 0 }: Task, times: ReadonlyMap<string, Timed>): number {
  return after.reduce((latest, { on, lag }) => Math.max(latest, (times.get(on)?.finish ?? -Infinity) + lag), Math.max(0, notBefore))
}

/**
 * How much later each may be without any end moving.
 * @param tasks linked by all that makes one wait for another in this plan, people too
 * @param ends tasks whose finish must not move
 */
export function withSlack(
  tasks: readonly Task[],
  times: ReadonlyMap<string, Timed>,
  ends: ReadonlySet<string>,
): ReadonlyMap<string, Slacked> {
  const last = Math.max(0, ...[...times.values()].map(({ finish }) => finish))
  const latestFinish = new Map(tasks.map(({ id }) => [id, ends.has(id) ? times.get(id)!.finish : last]))
  for (const task of inOrder(tasks).toReversed()) {
    const latestStart = latestFinish.get(task.id)! - task.minutes
    for (const { on, lag } of task.after) if (latestFinish.has(on)) latestFinish.set(on, Math.min(latestFinish.get(on)!, latestStart - lag))
  }
  return new Map(
    tasks.map(({ id }) => {
      const { start, finish } = times.get(id)!
      const slack = Math.max(0, latestFinish.get(id)! - finish)
      return [id, { start, finish, slack, isCritical: slack < SAME_MIN }]
    }),
  )
}
