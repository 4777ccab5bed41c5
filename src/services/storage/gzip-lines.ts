// What comes over the wire as gzip NDJSON.

/** Whole lines of a gzip byte stream, without their ends, as they arrive. */
export async function* linesOfGzip(stream: ReadableStream<Uint8Array>): AsyncGenerator<readonly string[]> {
  const text = stream.pipeThrough(new DecompressionStream('gzip') as ReadableWritablePair<Uint8Array, Uint8Array>)
  const reader = text.pipeThrough(new TextDecoderStream() as ReadableWritablePair<string, Uint8Array>).getReader()
  let rest = ''
  for (;;) {
    const { done, value } = await reader.read()
    if (done) break
    const lines = (rest + value).split('\n')
    rest = lines.pop() ?? ''
    yield lines
  }
  if (rest !== '') yield [rest]
}
