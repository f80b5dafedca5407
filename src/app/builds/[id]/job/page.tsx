import type { Metadata } from 'next'
import { JobPage } from '@/features/job/JobPage'
import { serveParts } from '@/features/parts/servedParts'
import { loadBuild } from '../../../loadBuild'

export const metadata: Metadata = { title: 'Job' }

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { document, ...stored } = await loadBuild((await params).id)
  return <JobPage served={serveParts(document, stored)} />
}
