import { expose } from 'comlink'
import { v7 as uuidV7 } from 'uuid'
import { openBuild } from '@/core/benches'
import { csvStations, readingsFromCsv } from '@/core/files'
import type { CsvWorker } from './csv'

const worker: CsvWorker = {
  async read(document, text, asCopy) {
    const build = openBuild(document)
    return readingsFromCsv(text, build, csvStations(build), { makeId: () => uuidV7(), asCopy })
  },
}

expose(worker)
