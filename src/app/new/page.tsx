import type { Metadata } from 'next'
import { NewBuild } from '@/features/new-build/NewBuild'
import { latestBuilds } from '../../shop/latestBuilds'

export const metadata: Metadata = { title: 'New build' }
export const dynamic = 'force-dynamic'

export default async function Page({ searchParams }: { searchParams: Promise<{ copy?: string }> }) {
  return <NewBuild builds={await latestBuilds()} copyOf={(await searchParams).copy} />
}
