import { spawn } from 'node:child_process'
import path from 'node:path'
import { QUIET_ENV, ROOT, SERVED_WITH } from './setup.mjs'

/** Starts the built program. Listens on this machine only unless HOST says otherwise. */
export function serve(env = {}) {
  const { HOST = '127.0.0.1', PORT = '3100' } = { ...process.env, ...env }
  const next = path.join(ROOT, 'node_modules/next/dist/bin/next')
  const server = spawn(process.execPath, [...SERVED_WITH, next, 'start', '-H', HOST, '-p', PORT], {
    cwd: ROOT,
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...QUIET_ENV, ...env },
  })
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal))
  server.on('exit', (code) => {
    process.exitCode = code ?? 0
  })
  return { address: `http://${HOST === '0.0.0.0' ? 'localhost' : HOST}:${PORT}`, server }
}

/** Waits until the program answers. */
export async function untilReady(address, tries = 120) {
  for (let attempt = 0; attempt < tries; attempt++) {
    try {
      if ((await fetch(`${address}/api/health`)).ok) return
    } catch {
      /* not listening yet */
    }
    await new Promise((resolve) => setTimeout(resolve, 100))
  }
  throw new Error(`Nothing answers at ${address}`)
}
