import { browser, build, install, run, typescript } from './setup.mjs'

install()
build()
browser()
run(process.execPath, typescript('benchmarks/run.ts'))
