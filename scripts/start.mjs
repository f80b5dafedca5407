import { build, install } from './setup.mjs'
import { serve, untilReady } from './serve.mjs'

install()
build()
const served = serve()
await untilReady(served)
console.log(`Kalibros is at ${served.address}`)
