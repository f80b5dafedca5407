import type { Metadata } from 'next'
import { PartsPage } from '@/features/parts/PartsPage'
import { serveParts } from '@/features/parts/servedParts'
import { shopDay } from '../../../../shop/shopDay'
import { openStored } from '@/shop/openedBuilds'
import { loadBuild } from '../../../loadBuild'

export const metadata: Metadata = { title: 'Parts' }

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const stored = await loadBuild((await params).id)
  return <PartsPage served={serveParts(openStored(stored), stored)} today={shopDay()} />
}
