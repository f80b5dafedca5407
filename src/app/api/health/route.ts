import { NextResponse } from 'next/server'
import { database } from '@/data/database'

export const dynamic = 'force-dynamic'

/** Well when the database answers. */
export async function GET() {
  try {
    await (await database()).gauges.list()
    return NextResponse.json({ ok: true })
  } catch {
    return NextResponse.json({ ok: false }, { status: 503 })
  }
}
