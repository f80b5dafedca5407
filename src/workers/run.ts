import { wrap } from 'comlink'

/** Long enough for ten times the work on a slow machine; a worker that died would otherwise be waited for for ever. */
const GIVE_UP_MS = 60_000

export class WorkStopped extends Error {}

/** Runs one job in a worker of its own and ends the worker with it: stopping a job is ending its worker. */
export function runInWorker<Tasks, Answer>(
  start: () => Worker,
  job: (worker: Tasks) => Promise<Answer>,
  signal: AbortSignal,
): Promise<Answer> {
  const thread = start()
  return new Promise<Answer>((resolve, reject) => {
    const timer = setTimeout(() => reject(new Error('The computation did not answer within a minute.')), GIVE_UP_MS)
    signal.addEventListener('abort', () => reject(new WorkStopped('stopped')), { once: true })
    thread.addEventListener('error', (event) => reject(new Error(event.message || 'The computation broke off.')))
    job(wrap(thread) as unknown as Tasks)
      .then(resolve, reject)
      .finally(() => clearTimeout(timer))
  }).finally(() => thread.terminate())
}
