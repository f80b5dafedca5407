import { browser, build, install, run } from './setup.mjs'

install()
build()
browser()
// Its bundler is there only once the packages are.
const { bundled } = await import('./bundled.mjs')
run(process.execPath, bundled('benchmarks/run.ts'))
