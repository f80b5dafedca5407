import type { Spec } from '@/core/document'

export interface Stored {
  readonly spec: Spec
  readonly revision: number
}

/** A revision as the server has it. Undefined where there is none, and where something else answers in the server's stead. */
export async function specAt(buildId: string, revision: string): Promise<Stored | undefined> {
  try {
    const response = await fetch(`/api/builds/${buildId}/spec?revision=${revision}`)
    const answer = response.ok ? ((await response.json()) as Partial<Stored>) : {}
    return answer.spec && answer.revision !== undefined ? { spec: answer.spec, revision: answer.revision } : undefined
  } catch {
    return undefined
  }
}

export function latestOf(buildId: string): Promise<Stored | undefined> {
  return specAt(buildId, 'latest')
}
