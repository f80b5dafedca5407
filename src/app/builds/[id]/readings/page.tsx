import type { Metadata } from 'next'
import { CsvImport } from '@/features/readings/CsvImport'
import { loadBuild } from '../../../loadBuild'

export const metadata: Metadata = { title: 'Bring readings in' }

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  return <CsvImport document={(await loadBuild((await params).id)).document} />
}
