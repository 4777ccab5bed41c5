// npm run demo: installs when needed, builds, serves on a free port, prints the address. Ctrl-C ends all of it.
import { ensureInstalled } from './ensure-installed.mjs'
import { build, serve } from './serve.mjs'

ensureInstalled()
console.log('Building …')
await build()
const { url, stop, ended } = await serve(Number(process.env.PORT ?? 3000))
for (const signal of ['SIGINT', 'SIGTERM']) process.once(signal, stop)
// Past days are simulated now, so that the first visitor need not wait for it.
await fetch(`${url}/api/demo-history?seed=7&days=5&pace=week&campaigns=yes`).then((answer) => answer.arrayBuffer())
console.log(`\n  Loyal Switchboard with the Fennholm Line demo: ${url}\n  Sign in as Eluned Tarnow, PIN 2417.  Ctrl-C ends it.\n`)
await ended
