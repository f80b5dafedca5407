/** What came of a request that is not a reading: an answer, or why not and what was kept. */
export type Answer<Value> =
  | { readonly ok: true; readonly value: Value }
  | { readonly ok: false; readonly error: string; readonly status: number }

/** Posts JSON and words every failure. Readings do not go this way: the outbox keeps and repeats them. */
export async function send<Value>(url: string, body: unknown): Promise<Answer<Value>> {
  try {
    const response = await fetch(url, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) })
    const json = (await response.json()) as Value & { error?: string }
    return response.ok ? { ok: true, value: json } : { ok: false, error: json.error ?? response.statusText, status: response.status }
  } catch {
    return {
      ok: false,
      error: 'The server does not answer. Nothing was changed; what is typed here stays until you leave the page.',
      status: 0,
    }
  }
}
