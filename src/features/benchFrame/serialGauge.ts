import pRetry from 'p-retry'

/** As much of the browser's Web Serial as is used here; the DOM types do not have it yet. */
interface SerialPort {
  readonly readable: ReadableStream<Uint8Array>
  open(options: { baudRate: number }): Promise<void>
  close(): Promise<void>
}
interface Serial {
  requestPort(): Promise<SerialPort>
}

function serialOf(): Serial | undefined {
  return (navigator as Navigator & { serial?: Serial }).serial
}

export function hasSerial(): boolean {
  return serialOf() !== undefined
}

/** What most gauges with a serial plug come set to. */
const BAUD_RATE = 9600

/**
 * Lets a person choose a serial port and hands its lines to the server, as any live gauge does: from there they reach
 * the bench that listens, once each. Resolves when the gauge is unplugged.
 * A line that is garbled on the wire is told through `onRefused`, and the gauge stays connected.
 * @throws when no port was chosen or it cannot be opened.
 */
export async function relaySerialGauge(onRefused: (words: string) => void): Promise<void> {
  const port = await serialOf()!.requestPort()
  await port.open({ baudRate: BAUD_RATE })
  const reader = port.readable.getReader()
  const decoder = new TextDecoder()
  let rest = ''
  try {
    for (;;) {
      const { value, done } = await reader.read()
      if (done) return
      const lines = (rest + decoder.decode(value, { stream: true })).split(/\r?\n/)
      rest = lines.pop() ?? ''
      for (const line of lines) if (line.trim() !== '') await relay(line).catch((refusal: Error) => onRefused(refusal.message))
    }
  } finally {
    reader.releaseLock()
    await port.close()
  }
}

class RefusedLine extends Error {}

function relay(line: string): Promise<void> {
  return pRetry(
    async () => {
      const response = await fetch('/api/live', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ lines: [line.slice(0, 200)] }),
      })
      if (response.ok) return
      const { error } = (await response.json()) as { error: string }
      throw response.status < 500 ? new RefusedLine(error) : new Error(error)
    },
    { retries: Number.POSITIVE_INFINITY, minTimeout: 300, maxTimeout: 5000, shouldRetry: ({ error }) => !(error instanceof RefusedLine) },
  )
}
