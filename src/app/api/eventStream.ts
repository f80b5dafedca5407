import 'server-only'

const HEARTBEAT_MS = 15_000
const RETRY_MS = 500
const STREAM_HEADERS = { 'content-type': 'text/event-stream', 'cache-control': 'no-store, no-transform', 'x-accel-buffering': 'no' }

/** Sends one server-sent event. */
export type SendEvent = (event: { readonly name?: string; readonly id?: number; readonly data: unknown }) => void

/**
 * A stream of server-sent events for as long as somebody listens (WHATWG HTML, server-sent events).
 * @param open what is done while the stream is open; gives back what ends it
 */
export function eventStream(request: Request, open: (send: SendEvent, stop: () => void) => () => void): Response {
  const text = new TextEncoder()
  let stop = () => {}
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      const write = (words: string) => controller.enqueue(text.encode(words))
      const send: SendEvent = ({ name, id, data }) =>
        write(`${id === undefined ? '' : `id: ${id}\n`}${name === undefined ? '' : `event: ${name}\n`}data: ${JSON.stringify(data)}\n\n`)
      const heartbeat = setInterval(() => write(': still here\n\n'), HEARTBEAT_MS)
      let isOpen = true
      let close = () => {}
      stop = () => {
        if (!isOpen) return
        isOpen = false
        clearInterval(heartbeat)
        close()
        try {
          controller.close()
        } catch {
          /* closed by the other side */
        }
      }
      request.signal.addEventListener('abort', stop)
      write(`retry: ${RETRY_MS}\n\n`)
      close = open(send, stop)
    },
    cancel() {
      stop()
    },
  })
  return new Response(stream, { headers: STREAM_HEADERS })
}

/** A look at a stream, without opening one: a listener nobody hears would never end. */
export function streamHead(): Response {
  return new Response(null, { headers: STREAM_HEADERS })
}

/** One look after the other, however often it is asked for: two in one moment would tell the same twice. */
export function inTurn(look: () => Promise<void>, onFailure: () => void): () => void {
  let busy: Promise<void> = Promise.resolve()
  return () => {
    busy = busy.then(look).catch(onFailure)
  }
}
