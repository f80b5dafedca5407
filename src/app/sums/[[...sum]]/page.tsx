import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { SUMS } from '@/core/sums'
import { SumsPage } from '@/features/sums/SumsPage'
import { latestBuilds } from '../../../shop/latestBuilds'

export const metadata: Metadata = { title: 'Quick sums' }

export default async function Page({ params }: { params: Promise<{ sum?: string[] }> }) {
  const current = (await params).sum?.[0] ?? SUMS[0]!.id
  if (!SUMS.some((sum) => sum.id === current)) notFound()
  return <SumsPage current={current} builds={await latestBuilds()} />
}
