/** What an instrument says, as it says it: a line of JSON each. */
export function linesOfJson(said: AsyncGenerator<unknown>): Response {
  const encoder = new TextEncoder()
  const body = new ReadableStream<Uint8Array>({
    async pull(stream) {
      const { value, done } = await said.next()
      if (done) stream.close()
      else stream.enqueue(encoder.encode(`${JSON.stringify(value)}\n`))
    },
    async cancel() {
      await said.return(undefined)
    },
  })
  // Held back to be compressed, the lines would all come at the end.
  return new Response(body, {
    headers: { 'Content-Type': 'application/x-ndjson', 'Cache-Control': 'no-store, no-transform' },
  })
}
