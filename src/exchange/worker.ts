const ports: MessagePort[] = []
;(self as unknown as { onconnect: (e: MessageEvent) => void }).onconnect = (e) => {
  const port = e.ports[0]!
  ports.push(port)
  port.onmessage = (m) => {
    for (const p of ports) p.postMessage({ n: ports.length, got: m.data })
  }
}
