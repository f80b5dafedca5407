import type { Metadata } from 'next'
import { openBuild } from '@/core/benches'
import { serveBuild } from '@/features/entries/servedBuild'
import { WhatIfPage } from '@/features/what-if/WhatIfPage'
import { loadBuild } from '../../../loadBuild'

export const metadata: Metadata = { title: 'What if' }

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { document, revision, lastSeq } = await loadBuild((await params).id)
  return <WhatIfPage served={serveBuild(openBuild(document), lastSeq)} revision={revision} />
}
