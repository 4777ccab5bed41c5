// Bundles the service worker with the list of what it keeps: run after the pages were built, whose files have other names with every build.
import { readdirSync, readFileSync } from 'node:fs'
import { build } from 'esbuild'

const FILES = /\.(js|css|woff2|svg|png|json)$/
const files = readdirSync('.next/static', { recursive: true })
  .filter((file) => FILES.test(file))
  .map((file) => ({ url: `/_next/static/${file.split('\\').join('/')}`, revision: null }))
const workers = readdirSync('public/workers')
  .filter((file) => file.endsWith('.js'))
  .map((file) => `/workers/${file}`)
const routes = Object.values(JSON.parse(readFileSync('.next/app-path-routes-manifest.json', 'utf8')))
const pages = routes.filter((route) => !route.includes('[') && !route.startsWith('/api/') && !route.startsWith('/_') && !route.includes('.'))

await build({
  entryPoints: { sw: 'src/services/offline/service-worker.ts' },
  outdir: 'public',
  bundle: true,
  minify: true,
  format: 'iife',
  target: 'es2023',
  alias: { '@': './src' },
  define: { __FILES__: JSON.stringify(files), __FRESH__: JSON.stringify([...pages, ...workers, '/voices/clips.json']), 'process.env.NODE_ENV': '"production"' },
  logLevel: 'warning',
})
