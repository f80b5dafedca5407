import { spawn } from 'node:child_process'
import path from 'node:path'
import { QUIET_ENV, ROOT, SERVED_WITH } from './setup.mjs'

/** Starts the built program. Listens on this machine only unless HOST says otherwise. */
export function serve(env = {}) {
  const { HOST = '127.0.0.1', PORT = '3100' } = { ...process.env, ...env }
  const server = spawn(process.execPath, [...SERVED_WITH, path.join(ROOT, 'scripts/server.mjs')], {
    cwd: ROOT,
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
    env: { ...QUIET_ENV, ...env, HOST, PORT, NODE_ENV: 'production' },
  })
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal))
  server.on('exit', (code) => {
    process.exitCode = code ?? 0
  })
  return { address: `http://${HOST === '0.0.0.0' ? 'localhost' : HOST}:${PORT}`, server }
}

/** Waits until the program listens, however long it waits for its database; ends with it where it ended in words of its own. */
export function untilReady({ server }) {
  return new Promise((resolve) => {
    server.once('message', resolve)
    server.once('exit', (code) => process.exit(code ?? 1))
  })
}
