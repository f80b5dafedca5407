import type { Metadata } from 'next'
import { BookPage } from '@/features/book/BookPage'
import { loadBuild } from '../../../loadBuild'

export const metadata: Metadata = { title: 'Book' }

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  return <BookPage document={(await loadBuild((await params).id)).document} printedOn={new Date().toISOString().slice(0, 10)} />
}
