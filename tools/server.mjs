// The production server: Next's own handler, behind what it would answer with “500” although the one who asks is at fault.
import { createServer } from 'node:http'
import next from 'next'

const METHODS = ['GET', 'HEAD', 'OPTIONS', 'POST', 'PUT', 'PATCH', 'DELETE']
const port = Number(process.argv[2])

const app = next({ dev: false, port, hostname: 'localhost' })
await app.prepare()
const handle = app.getRequestHandler()
createServer((request, response) => {
  if (!METHODS.includes(request.method)) {
    response.writeHead(405, { allow: METHODS.join(', '), 'content-type': 'text/plain; charset=utf-8', 'content-security-policy': "default-src 'none'" })
    response.end(`${request.method} is not taken here.\n`)
    return
  }
  void handle(request, response)
}).listen(port, () => console.log('Ready'))
