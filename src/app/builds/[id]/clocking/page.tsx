import type { Metadata } from 'next'
import { ClockingPage } from '@/features/rings/ClockingPage'
import { loadBuild } from '../../../loadBuild'

export const metadata: Metadata = { title: 'Ring clocking' }

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { document, revision } = await loadBuild((await params).id)
  return <ClockingPage id={document.id} initial={document.spec} revision={revision} />
}
