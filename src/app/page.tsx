'use client'
import { useEffect, useState } from 'react'
export default function Page() {
  const [t, setT] = useState('')
  useEffect(() => {
    const w = new SharedWorker(new URL('../exchange/worker.ts', import.meta.url), { type: 'module', name: 'floor' })
    w.port.onmessage = (m) => setT(JSON.stringify(m.data))
    w.port.start()
    w.port.postMessage('hi')
  }, [])
  return <p id="t">{t}</p>
}
