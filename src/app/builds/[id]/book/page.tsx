import type { Metadata } from 'next'
import { BookPage } from '@/features/book/BookPage'
import { loadBuild } from '../../../loadBuild'
import { shopDay } from '@/shop/shopDay'

export const metadata: Metadata = { title: 'Book' }

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  return <BookPage document={(await loadBuild((await params).id)).document} printedOn={shopDay()} />
}
