import type { Metadata } from 'next'
import { JobPage } from '@/features/job/JobPage'
import { serveParts } from '@/features/parts/servedParts'
import { openStored } from '@/shop/openedBuilds'
import { loadBuild } from '../../../loadBuild'

export const metadata: Metadata = { title: 'Job' }

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const stored = await loadBuild((await params).id)
  return <JobPage served={serveParts(openStored(stored), stored)} />
}
