import type { Metadata } from 'next'
import { BuildFront } from '@/features/build-front/BuildFront'
import { loadBuild } from '../../loadBuild'

type Props = { params: Promise<{ id: string }> }

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: (await loadBuild((await params).id)).document.spec.name }
}

export default async function Page({ params }: Props) {
  return <BuildFront document={(await loadBuild((await params).id)).document} />
}
