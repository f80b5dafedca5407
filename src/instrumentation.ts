/** Runs once when the server starts: the database is open and migrated before the first request. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return
  const { openAtStart } = await import('./data/database')
  await openAtStart()
  const { keepPlanDaily } = await import('./shop/keepPlanDaily')
  keepPlanDaily()
  const { keepSummaries } = await import('./shop/keepSummaries')
  keepSummaries()
}
