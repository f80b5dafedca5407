import 'server-only'
import { notFound } from 'next/navigation'
import { cache } from 'react'
import { database } from '@/data/database'
import type { StoredBuild } from '@/data/load'

/** The build a page is about, read once a request; the "not here" page if there is none. */
export const loadBuild = cache(async (id: string): Promise<StoredBuild> => {
  const { builds } = await database()
  return (await builds.load(id)) ?? notFound()
})
