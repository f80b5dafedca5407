// A simulated set of gauges: presses their buttons for the open places of a bench. See src/demo/gauges.ts.
import { install, run, typescript } from './setup.mjs'

install()
run(process.execPath, [...typescript('src/demo/gauges.ts'), ...process.argv.slice(2)])
