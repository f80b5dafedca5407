import { NextResponse } from 'next/server'
import { z } from 'zod'
import { database } from '@/data/database'
import { answering, bodyOf } from '../../../answer'
import { beginListening, liveNews } from '../presses'

const session = z.string().regex(/^[\w-]{8,64}$/)
const body = z.discriminatedUnion('what', [
  /** A page is about to listen. */
  z.object({ what: z.literal('listen'), session, words: z.string().max(80) }),
  /** Taken from the drawer, or over from whoever has it. */
  z.object({ what: z.literal('take'), session, name: z.string().min(1).max(40), words: z.string().max(80) }),
  /** Everything a session has goes back. */
  z.object({ what: z.literal('giveBack'), session }),
])

/** A live gauge is at one bench at a time: taken, given back, or taken over, which both screens are told. */
export function POST(request: Request) {
  return answering(async () => {
    const wanted = await bodyOf(request, body)
    if (wanted.what === 'listen') {
      beginListening(wanted.session, wanted.words)
      return NextResponse.json({ from: null })
    }
    const { presses } = await database()
    if (wanted.what === 'giveBack') {
      for (const name of await presses.heldBy(wanted.session)) {
        await presses.hold(name, null, '')
        liveNews().emit('hold', { name, from: wanted.session, to: null, words: '' })
      }
      return NextResponse.json({ from: null })
    }
    const holder = await presses.holder(wanted.name)
    if (holder?.session !== wanted.session) {
      await presses.hold(wanted.name, wanted.session, wanted.words)
      liveNews().emit('hold', { name: wanted.name, from: holder?.session, to: wanted.session, words: wanted.words })
    }
    return NextResponse.json({ from: holder && holder.session !== wanted.session ? holder.words : null })
  })
}
