import { browser, build, install, run, typescript } from './setup.mjs'

install()
build()
browser()
run(process.execPath, typescript('scripts/screenshots.ts'))
