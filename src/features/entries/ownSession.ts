import { v7 as uuidV7 } from 'uuid'

const SESSION_KEY = 'kalibros.live.session'

/** What this tab is called by the server and by other devices: kept for its life, so that a reload goes on as the same one. */
export function ownSession(): string {
  const known = sessionStorage.getItem(SESSION_KEY)
  if (known) return known
  const session = uuidV7()
  sessionStorage.setItem(SESSION_KEY, session)
  return session
}
