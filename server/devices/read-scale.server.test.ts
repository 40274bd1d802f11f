import { once } from 'node:events'
import { type AddressInfo, createServer, type Server, type Socket } from 'node:net'
import { afterEach, expect, test } from 'vitest'
import { Chance } from '~core/base/random'
import type { ScaleSaid } from '~core/scale/lines'
import { readScale } from './read-scale.server'

let server: Server | undefined
const cables = new Set<Socket>()
afterEach(() => {
  for (const cable of cables) cable.destroy()
  server?.close()
})

async function scaleThat(serve: (cable: Socket, times: number) => void): Promise<number> {
  let times = 0
  server = createServer((cable) => {
    cables.add(cable)
    cable.on('error', () => cable.destroy())
    serve(cable, ++times)
  }).listen(0, '127.0.0.1')
  await once(server, 'listening')
  return (server.address() as AddressInfo).port
}
const HELLO = 'SIPHON-SCALE 1 0.1 5000\n'

/** What it says until there is enough of it. */
async function said(port: number, enough: (all: ScaleSaid[]) => boolean): Promise<ScaleSaid[]> {
  const left = new AbortController()
  const all: ScaleSaid[] = []
  for await (const each of readScale(port, left.signal, { silentMs: 150, againMs: 10 })) {
    all.push(each)
    if (enough(all)) left.abort()
  }
  return all
}
const faults = (all: ScaleSaid[]) => all.flatMap((each) => (each.says === 'fault' ? each.code : []))

test('weights come as they are said, however their bytes are cut', async () => {
  const port = await scaleThat((cable) => {
    for (const piece of ['SIPHON-SC', 'ALE 1 0.1 5000\nGRAMS 6', '1.5\nGRAMS 62\n']) cable.write(piece)
  })
  expect(await said(port, ({ length }) => length === 3)).toEqual([
    { says: 'hello', stepG: 0.1, capacityG: 5000 },
    { says: 'grams', grams: 61.5 },
    { says: 'grams', grams: 62 },
  ])
})

test('torn out in mid-line it says so once, is plugged in anew, and half a weight is none', async () => {
  const port = await scaleThat((cable, times) =>
    times === 1 ? cable.end(`${HELLO}GRAMS 61\nGRAMS 1`) : cable.write(`${HELLO}GRAMS 70\n`),
  )
  const all = await said(port, (each) => each.at(-1)?.says === 'grams' && each.length > 3)
  expect(all.flatMap((each) => (each.says === 'grams' ? each.grams : []))).toEqual([61, 70])
  expect(faults(all)).toEqual(['unplugged'])
})

test.each([
  ['silent', 'that goes quiet', `${HELLO}GRAMS 61\n`],
  ['garbled', 'that talks nonsense', `${HELLO}about 61\n`],
  ['garbled', 'that greets twice', HELLO + HELLO],
  ['garbled', 'that weighs before it greets', 'GRAMS 61\n'],
  ['garbled', 'that never ends its line', 'x'.repeat(5000)],
  ['own', 'that has a fault of its own', `${HELLO}FAULT not-level It does not stand level.\n`],
])('%s: a scale %s is said in words, and tried again', async (code, _what, words) => {
  const port = await scaleThat((cable) => void cable.write(words))
  expect(faults(await said(port, (all) => faults(all).length > 0))).toEqual([code])
})

test('whatever a scale sends, torn and doubled, nothing but its own weights comes of it; 300 cables', async () => {
  const chance = new Chance(7)
  const pieces = [
    HELLO,
    'GRAMS 61.5\n',
    'GRAMS 6',
    '1\n',
    'OVER\n',
    '\n',
    'GRAMS 1e9\n',
    '\u0000\u0000',
    'FAULT x y z\n',
    'GRAMS -5\n',
  ]
  let served = 0
  const port = await scaleThat((cable) => {
    served++
    if (chance.yes(0.7)) cable.write(HELLO)
    for (let i = 0; i < 6; i++) cable.write(chance.of(pieces))
    cable.end()
  })
  const all = await said(port, () => served >= 300)
  const grams = all.flatMap((each) => (each.says === 'grams' ? each.grams : []))
  expect(grams.length).toBeGreaterThan(50)
  // What is written in two pieces is one line; what is torn is none.
  for (const each of new Set(grams)) expect([61.5, 61, 6, -5]).toContain(each)
})
