import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { benchById, isBenchId } from '@/core/benches'
import { loadBuild } from '../../../loadBuild'
import { BenchPage } from '@/features/bench/BenchPage'

type Props = { params: Promise<{ id: string; bench: string }>; searchParams: Promise<{ at?: string }> }

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const { id, bench } = await params
  return isBenchId(bench) ? { title: `${benchById(bench).definition.title}, ${(await loadBuild(id)).document.spec.name}` } : {}
}

export default async function Page({ params, searchParams }: Props) {
  const { id, bench } = await params
  if (!isBenchId(bench)) notFound()
  const { document } = await loadBuild(id)
  return <BenchPage document={document} benchId={bench} startAt={(await searchParams).at} />
}
