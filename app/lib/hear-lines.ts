/**
 * Everything that an instrument says through the server, as it says it.
 *
 * @param answer its body is a line of JSON each
 */
export async function hearLines<T>(answer: Response, hear: (said: T) => void): Promise<void> {
  if (!answer.ok || !answer.body) throw new Error(`answered ${answer.status}`)
  const reader = answer.body.pipeThrough(new TextDecoderStream()).getReader()
  let waiting = ''
  for (let next = await reader.read(); !next.done; next = await reader.read()) {
    waiting += next.value
    const lines = waiting.split('\n')
    waiting = lines.pop() ?? ''
    for (const line of lines) hear(JSON.parse(line) as T)
  }
}
