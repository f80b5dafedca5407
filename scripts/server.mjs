// Serves the built program: what no page and no route is to see is answered here, before Next takes the request apart.
import { createServer } from 'node:http'
import next from 'next'
import { ROOT } from './setup.mjs'

const { HOST = '127.0.0.1', PORT = '3100' } = process.env
/** What browsers and gauges send. Others end in a fault inside: the web's own Request class knows no TRACE. */
const METHODS = new Set(['GET', 'HEAD', 'POST', 'OPTIONS'])

/** An address whose escapes are none would end in a fault as well. */
function isWellFormed(address) {
  try {
    return !decodeURI(address).includes('\0')
  } catch {
    return false
  }
}

function refuse(response, status, error, headers = {}) {
  response.writeHead(status, { 'content-type': 'application/json', ...headers }).end(JSON.stringify({ error }))
}

const app = next({ dev: false, dir: ROOT, hostname: HOST, port: Number(PORT) })
const handle = app.getRequestHandler()
await app.prepare()
const server = createServer((request, response) => {
  if (!METHODS.has(request.method)) return refuse(response, 405, 'Nothing is done here by that method.', { allow: [...METHODS].join(', ') })
  if (!isWellFormed(request.url)) return refuse(response, 400, 'This address cannot be read: an escape in it is none.')
  return handle(request, response)
})
/** What a browser or a gauge broke off is no fault of the program: its sender sends it again. Next writes each down twice. */
const isBrokenOff = (error) => error instanceof Error && ['ECONNRESET', 'EPIPE'].includes(error.code)
const log = console.error
console.error = (...words) => {
  if (!words.some(isBrokenOff)) log(...words)
}
server.on('error', (error) => {
  console.error(error.code === 'EADDRINUSE' ? `Kalibros does not start: something listens at ${HOST}:${PORT} already.` : error)
  process.exit(1)
})
server.listen(Number(PORT), HOST, () => process.send?.('listening'))
