import { Board } from '@/features/board/Board'
import { SUMMARY_PROGRAM, summarise } from '@/features/board/summary'
import { database } from '@/data/database'

const PAGE_SIZE = 24

export default async function Page({ searchParams }: { searchParams: Promise<{ page?: string }> }) {
  const page = Math.max(1, Number.parseInt((await searchParams).page ?? '1', 10) || 1)
  const { builds } = await database()
  const { rows, total } = await builds.board({ offset: (page - 1) * PAGE_SIZE, size: PAGE_SIZE }, SUMMARY_PROGRAM, (build) => summarise(build.document))
  return <Board builds={rows} total={total} page={page} pageSize={PAGE_SIZE} />
}
