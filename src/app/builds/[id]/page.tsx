import type { Metadata } from 'next'
import { BuildFront } from '@/features/build-front/BuildFront'
import { loadBuild } from '../../loadBuild'

type Props = { params: Promise<{ id: string }> }

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: (await loadBuild((await params).id)).document.spec.name }
}

export default async function Page({ params }: Props) {
  const { document, revision } = await loadBuild((await params).id)
  return <BuildFront document={document} revision={revision} />
}
