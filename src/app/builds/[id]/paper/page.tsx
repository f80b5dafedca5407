import type { Metadata } from 'next'
import { PaperPage } from '@/features/paper/PaperPage'
import { loadBuild } from '../../../loadBuild'

export const metadata: Metadata = { title: 'Paper and limits' }

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { document, revision } = await loadBuild((await params).id)
  return <PaperPage id={document.id} initial={document.spec} revision={revision} />
}
