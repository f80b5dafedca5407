/** Whether the write-ahead log beside a database is damaged in its middle (SQLite, “WAL-mode file format”). */
import 'server-only'
import { existsSync, readFileSync } from 'node:fs'

const HEADER_BYTES = 32
const FRAME_HEADER_BYTES = 24
/** Checksums are of little-endian words, or of big-endian ones where the last bit is set. */
const MAGIC = 0x377f0682

interface Sums {
  readonly a: number
  readonly b: number
}

export interface WalDamage {
  /** The first frame that is not what was written, counted from one. */
  readonly frame: number
  /** Committed writes behind it: SQLite leaves them out in silence. */
  readonly commitsLost: number
}

/**
 * SQLite takes a log up to its first frame whose checksum fails, and drops the rest without a word: right for the torn end of a
 * write that was never acknowledged, wrong for damage in the middle of what was. It is the middle where frames of the same
 * generation (the salts of the header) commit behind the commit that the damaged frame belongs to.
 */
export function walDamage(walFile: string): WalDamage | undefined {
  if (!existsSync(walFile)) return undefined
  const wal = readFileSync(walFile)
  if (wal.length < HEADER_BYTES + FRAME_HEADER_BYTES) return undefined
  const magic = wal.readUInt32BE(0)
  if ((magic & ~1) >>> 0 !== MAGIC) return undefined
  const read = magic & 1 ? (at: number) => wal.readUInt32BE(at) : (at: number) => wal.readUInt32LE(at)
  const frameBytes = FRAME_HEADER_BYTES + wal.readUInt32BE(8)
  const frames = Math.floor((wal.length - HEADER_BYTES) / frameBytes)
  const isOfThisGeneration = (at: number) => wal.compare(wal, 16, 24, at + 8, at + 16) === 0
  let sums = summed(read, { a: 0, b: 0 }, 0, 24)
  for (let frame = 0; frame < frames; frame++) {
    const at = HEADER_BYTES + frame * frameBytes
    sums = summed(read, summed(read, sums, at, 8), at + FRAME_HEADER_BYTES, frameBytes - FRAME_HEADER_BYTES)
    if (isOfThisGeneration(at) && wal.readUInt32BE(at + 16) === sums.a && wal.readUInt32BE(at + 20) === sums.b) continue
    const commits = Array.from({ length: frames - frame }, (_, index) => HEADER_BYTES + (frame + index) * frameBytes).filter(
      (one) => isOfThisGeneration(one) && wal.readUInt32BE(one + 4) > 0,
    ).length
    // The one it belongs to itself may never have been acknowledged.
    return commits > 1 ? { frame: frame + 1, commitsLost: commits } : undefined
  }
  return undefined
}

function summed(read: (at: number) => number, from: Sums, at: number, bytes: number): Sums {
  let { a, b } = from
  for (let offset = at; offset < at + bytes; offset += 8) {
    a = (a + read(offset) + b) >>> 0
    b = (b + read(offset + 4) + a) >>> 0
  }
  return { a, b }
}
