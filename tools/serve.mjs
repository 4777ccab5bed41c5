// Builds and serves the production build on a free port. Used by the demo, the browser tests and the bench.
import { spawn } from 'node:child_process'
import { createServer } from 'node:net'

const ENV = { ...process.env, NODE_ENV: 'production', NEXT_TELEMETRY_DISABLED: '1' }

/** Begins at once, beside whatever else is done meanwhile. Rejects when it comes to nothing. */
export function build() {
  return new Promise((resolve, reject) => {
    const building = spawn(process.execPath, ['tools/build.mjs'], { stdio: ['ignore', 'ignore', 'inherit'] })
    building.once('error', reject)
    building.once('exit', (code) => (code === 0 ? resolve() : reject(new Error(`the build ended with code ${code}`))))
  })
}

/** Resolves with the address once the server answers; `stop` ends it and everything it started. */
export async function serve(wantedPort) {
  const port = await freePort(wantedPort)
  const url = `http://localhost:${port}`
  // A group of its own, so that stopping it leaves no child behind.
  const server = spawn(process.execPath, ['tools/server.mjs', String(port)], { stdio: ['ignore', 'pipe', 'inherit'], env: ENV, detached: true })
  const exited = new Promise((_, reject) => server.once('exit', (code) => reject(new Error(`the server ended with code ${code} before it answered`))))
  exited.catch(() => {})
  const ready = new Promise((resolve) => server.stdout.on('data', (text) => String(text).includes('Ready') && resolve()))
  await Promise.race([ready, exited])
  const stop = () => {
    try {
      process.kill(-server.pid)
    } catch (error) {
      if (error.code !== 'ESRCH') throw error
    }
  }
  return { url, stop, ended: new Promise((resolve) => server.once('exit', resolve)) }
}

function freePort(wanted) {
  return new Promise((resolve, reject) => {
    const probe = createServer()
    probe.once('error', (error) => (error.code === 'EADDRINUSE' && wanted !== 0 ? resolve(freePort(0)) : reject(error)))
    probe.listen(wanted, () => {
      const { port } = probe.address()
      probe.close(() => resolve(port))
    })
  })
}
