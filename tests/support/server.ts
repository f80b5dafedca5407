import { spawn, type ChildProcess } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import path from 'node:path'

const ROOT = path.resolve(import.meta.dirname, '../..')

/** A start takes a second or two; on a machine starved of its cores it has taken half a minute. */
const PATIENCE_MS = 90_000

/** A built Kalibros on a port and a database of its own, that can be killed and started again. */
export class TestServer {
  readonly folder = mkdtempSync(path.join(tmpdir(), 'kalibros-e2e-'))
  private child: ChildProcess | undefined

  private constructor(
    readonly port: number,
    private readonly env: Readonly<Record<string, string>>,
  ) {}

  /** `env`: what the shop sets beside the database. */
  static async start(env: Readonly<Record<string, string>> = {}): Promise<TestServer> {
    const server = new TestServer(await freePort(), env)
    await server.up()
    return server
  }

  get address(): string {
    return `http://127.0.0.1:${this.port}`
  }

  get databaseUrl(): string {
    return `file:${path.join(this.folder, 'test.db')}`
  }

  private get isRunning(): boolean {
    return this.child !== undefined && this.child.exitCode === null && this.child.signalCode === null
  }

  /** Starts it, where it is not running, and waits until it answers; how long that took, in ms. */
  async up(): Promise<number> {
    const started = performance.now()
    if (this.isRunning) return 0
    this.child = spawn(process.execPath, [path.join(ROOT, 'scripts/server.mjs')], {
      cwd: ROOT,
      stdio: ['ignore', 'ignore', 'inherit'],
      env: {
        ...process.env,
        HOST: '127.0.0.1',
        PORT: String(this.port),
        NODE_ENV: 'production',
        NEXT_TELEMETRY_DISABLED: '1',
        KALIBROS_DB_URL: this.databaseUrl,
        ...this.env,
      },
    })
    while (performance.now() - started < PATIENCE_MS) {
      const well = await fetch(`${this.address}/api/health`).then(
        (response) => response.ok,
        () => false,
      )
      if (well) return performance.now() - started
      await new Promise((resolve) => setTimeout(resolve, 50))
    }
    throw new Error(`The server did not answer at ${this.address}`)
  }

  /** The plug pulled: SIGKILL, no goodbye. */
  async kill(): Promise<void> {
    const { child } = this
    if (!child || !this.isRunning) return
    const gone = new Promise((resolve) => child.once('exit', resolve))
    child.kill('SIGKILL')
    await gone
  }

  async stop(): Promise<void> {
    await this.kill()
    rmSync(this.folder, { recursive: true, force: true })
  }

  async post<Answer>(url: string, body: unknown): Promise<{ status: number; json: Answer }> {
    const response = await fetch(this.address + url, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    })
    return { status: response.status, json: (await response.json()) as Answer }
  }

  async get(url: string): Promise<Response> {
    return fetch(this.address + url)
  }
}

/** A port of this machine that nobody listens on. */
export function freePort(): Promise<number> {
  return new Promise((resolve, reject) => {
    const probe = createServer()
    probe.once('error', reject)
    probe.listen(0, '127.0.0.1', () => {
      const address = probe.address()
      probe.close(() => (address && typeof address === 'object' ? resolve(address.port) : reject(new Error('no port'))))
    })
  })
}
