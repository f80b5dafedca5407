import { Board, type BoardQuery } from '@/features/board/Board'
import { KEPT } from '@/shop/kept'
import { onBoard } from '@/shop/summary'
import { database } from '@/data/database'
import { shopDay } from '../shop/shopDay'

const PAGE_SIZE = 24
/** More pages than any shop fills; a number beyond is a slip. */
const MOST_PAGES = 100_000

type Query = Readonly<Partial<Record<'page' | 'find' | 'order' | 'away', string>>>

export default async function Page({ searchParams }: { searchParams: Promise<Query> }) {
  const asked = await searchParams
  const query: BoardQuery = {
    page: /^\d{1,6}$/.test(asked.page ?? '') ? Math.min(MOST_PAGES, Math.max(1, Number(asked.page))) : 1,
    find: typeof asked.find === 'string' ? asked.find.slice(0, 80) : '',
    order: asked.order === 'name' || asked.order === 'oldest' ? asked.order : 'latest',
    putAway: asked.away === '1',
  }
  const { builds, notice } = await database()
  const page = { offset: (query.page - 1) * PAGE_SIZE, size: PAGE_SIZE, putAway: query.putAway, search: query.find, order: query.order }
  const { rows, total } = await builds.board(page, KEPT)
  const shown = rows.map((row) => ({ ...row, summary: row.summary && onBoard(row.summary) }))
  return <Board notice={notice} builds={shown} total={total} query={query} pageSize={PAGE_SIZE} today={shopDay()} />
}
