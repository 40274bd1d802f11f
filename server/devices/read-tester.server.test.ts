import { once } from 'node:events'
import { type AddressInfo, createServer, type Server, type Socket } from 'node:net'
import { afterEach, expect, test } from 'vitest'
import { whyNoReading } from '~core/fluid/testers/lines'
import { hasWords } from '~core/words'
import { readTester } from './read-tester.server'

let server: Server | undefined
const cables = new Set<Socket>()
afterEach(() => {
  for (const cable of cables) cable.destroy()
  server?.close()
})

/** An instrument that does what it is told to with a cable. */
async function instrument(serve: (cable: Socket) => void): Promise<number> {
  server = createServer((cable) => {
    cables.add(cable)
    cable.on('error', () => cable.destroy())
    serve(cable)
  }).listen(0, '127.0.0.1')
  await once(server, 'listening')
  return (server.address() as AddressInfo).port
}
/** Greets, then answers a READ with these words. */
const answers = (words: string) => (cable: Socket) => {
  cable.write('SIPHON-TESTER 1 percent-meter\n')
  cable.once('data', () => cable.write(words))
}
const pulledAfter = (words: string) => (cable: Socket) => {
  cable.write('SIPHON-TESTER 1 percent-meter\n')
  cable.once('data', () => cable.end(words))
}
async function said(port: number, signal = new AbortController().signal) {
  const all = []
  for await (const each of readTester(port, signal, 300)) all.push(each)
  return all
}

test('a reading comes with what read it, however its bytes are cut', async () => {
  const port = await instrument((cable) => {
    for (const piece of ['SIPHON-TES', 'TER 1 boiling-sampler\n']) cable.write(piece)
    cable.once('data', (asked) => {
      expect(String(asked)).toBe('READ\n')
      for (const piece of ['BUSY 50\nREAD', 'ING 183', '\n']) cable.write(piece)
    })
  })
  expect(await said(port)).toEqual([
    { says: 'hello', tester: 'boiling-sampler' },
    { says: 'busy', pct: 50 },
    { says: 'reading', value: 183 },
  ])
})

test.each([
  ['unplugged', 'pulled before its reading', pulledAfter('BUSY 50\n')],
  ['unplugged', 'pulled in the middle of its reading’s digits', pulledAfter('READING 1')],
  ['silent', 'gone quiet', answers('BUSY 50\n')],
  ['no-sample', 'with a dry probe', answers('FAULT no-sample The probe is dry.\n')],
  ['garbled', 'that talks nonsense', answers('183 degrees or so\n')],
  ['out-of-turn', 'that reads before it has said what it is', (cable: Socket) => cable.write('READING 3\n')],
  ['garbled', 'that never ends its line', (cable: Socket) => cable.write('x'.repeat(5000))],
] as const)(
  '%s: an instrument %s says why there is no reading, in a sentence, and gives none',
  async (code, _what, serve) => {
    const all = await said(await instrument(serve))
    const last = all.at(-1)
    const why = last && whyNoReading(last)
    expect([
      last?.says === 'fault' ? last.code : last?.says === 'lost' && last.why,
      why && hasWords(why.code),
    ]).toEqual([code, true])
    expect(all.some(({ says }) => says === 'reading')).toBe(false)
  },
)

test('nothing on the port is said as that', async () => {
  const port = await instrument(() => {})
  server?.close()
  await once(server as Server, 'close')
  expect(await said(port)).toMatchObject([{ says: 'lost', why: 'no-tester' }])
})

test('stopped, the instrument hears STOP and nothing is taken', async () => {
  const stop = new AbortController()
  const heard: string[] = []
  const port = await instrument((cable) => {
    answers('BUSY 10\n')(cable)
    cable.on('data', (text) => {
      heard.push(String(text))
      if (String(text) === 'READ\n') stop.abort()
    })
  })
  expect((await said(port, stop.signal)).at(-1)).toMatchObject({ says: 'lost', why: 'stopped' })
  await expect.poll(() => heard.join('')).toBe('READ\nSTOP\n')
})
