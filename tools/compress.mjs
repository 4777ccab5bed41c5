// Compresses what the server sends as it lies there, once and as small as it gets: Brotli at its best takes seconds, which nobody should wait for
// with each request.
import { createReadStream, createWriteStream } from 'node:fs'
import { readdir } from 'node:fs/promises'
import { join } from 'node:path'
import { pipeline } from 'node:stream/promises'
import { constants, createBrotliCompress } from 'node:zlib'
import pLimit from 'p-limit'

/** Folders, with whether their files never change under the same name. */
export const STATIC = [
  { folder: '.next/static', address: '/_next/static', immutable: true },
  { folder: 'public/workers', address: '/workers', immutable: false },
]
const TEXT = /\.(js|css|svg|json)$/

export async function compressStatic() {
  const limit = pLimit(4)
  const files = await Promise.all(STATIC.map(async ({ folder }) => (await readdir(folder, { recursive: true })).map((file) => join(folder, file))))
  const compress = (file) =>
    pipeline(
      createReadStream(file),
      createBrotliCompress({ params: { [constants.BROTLI_PARAM_QUALITY]: constants.BROTLI_MAX_QUALITY } }),
      createWriteStream(`${file}.br`),
    )
  await Promise.all(
    files
      .flat()
      .filter((file) => TEXT.test(file))
      .map((file) => limit(() => compress(file))),
  )
}
