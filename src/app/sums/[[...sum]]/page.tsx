import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { SUMS } from '@/core/sums'
import { database } from '@/data/database'
import { SUMMARY_PROGRAM, summarise } from '@/features/board/summary'
import { SumsPage } from '@/features/sums/SumsPage'

export const metadata: Metadata = { title: 'Quick sums' }

/** Builds offered to keep numbers in: the latest worked on. */
const OFFERED = 24

export default async function Page({ params }: { params: Promise<{ sum?: string[] }> }) {
  const current = (await params).sum?.[0] ?? SUMS[0]!.id
  if (!SUMS.some((sum) => sum.id === current)) notFound()
  const { builds } = await database()
  const { rows } = await builds.board({ offset: 0, size: OFFERED }, SUMMARY_PROGRAM, (build) => summarise(build.document))
  return <SumsPage current={current} builds={rows.map(({ id, summary }) => ({ id, name: summary.name }))} />
}
