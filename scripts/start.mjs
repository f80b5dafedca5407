import { build, install } from './setup.mjs'
import { serve, untilReady } from './serve.mjs'

install()
build()
const { address } = serve()
await untilReady(address)
console.log(`Kalibros is at ${address}`)
