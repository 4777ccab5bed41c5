// The production server: what lies there as files goes out as it was compressed by the build; everything else is Next's own handler, behind what it would
// answer with “500” although the one who asks is at fault.
import { readFileSync } from 'node:fs'
import { createServer } from 'node:http'
import next from 'next'
import sirv from 'sirv'
import { STATIC } from './compress.mjs'

const METHODS = ['GET', 'HEAD', 'OPTIONS', 'POST', 'PUT', 'PATCH', 'DELETE']
const SECURITY = Object.entries(JSON.parse(readFileSync('tools/security-headers.json', 'utf8')))
/** Workers ask nobody else, and only the one that lays shifts runs a program that is not script. */
const POLICIES = JSON.parse(readFileSync('tools/worker-policy.json', 'utf8'))
const port = Number(process.argv[2])

const files = STATIC.map(({ folder, address, immutable }) => {
  const setHeaders = (response, path) => {
    for (const [key, value] of SECURITY) response.setHeader(key, value)
    if (address === '/workers') response.setHeader('content-security-policy', POLICIES[path.slice(1)] ?? POLICIES.others)
  }
  // Workers keep one address for all tabs, so every start must ask whether they changed.
  const options = { brotli: true, etag: !immutable, ...(immutable ? { immutable, maxAge: 31_536_000 } : { maxAge: 0 }), setHeaders }
  return { address: `${address}/`, serve: sirv(folder, options) }
})

const app = next({ dev: false, port, hostname: 'localhost' })
await app.prepare()
const handle = app.getRequestHandler()
createServer((request, response) => {
  if (!METHODS.includes(request.method)) {
    response.writeHead(405, { allow: METHODS.join(', '), 'content-type': 'text/plain; charset=utf-8', 'content-security-policy': "default-src 'none'" })
    response.end(`${request.method} is not taken here.\n`)
    return
  }
  const file = request.method === 'GET' || request.method === 'HEAD' ? files.find(({ address }) => request.url.startsWith(address)) : undefined
  if (file === undefined) return void handle(request, response)
  const asked = request.url
  request.url = asked.slice(file.address.length - 1)
  file.serve(request, response, () => {
    request.url = asked
    void handle(request, response)
  })
}).listen(port, () => console.log('Ready'))
