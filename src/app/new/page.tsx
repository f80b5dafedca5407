import type { Metadata } from 'next'
import { NewBuild } from '@/features/new-build/NewBuild'

export const metadata: Metadata = { title: 'New build' }

export default function Page() {
  return <NewBuild />
}
