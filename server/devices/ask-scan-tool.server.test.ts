import { once } from 'node:events'
import { type AddressInfo, createServer, type Server, type Socket } from 'node:net'
import { afterEach, expect, test } from 'vitest'
import { Chance } from '~core/base/random'
import { endsAnswer, type ScanAsked, type ScanSaid } from '~core/scan-tool/lines'
import { askScanTool } from './ask-scan-tool.server'

let server: Server | undefined
const cables = new Set<Socket>()
afterEach(() => {
  for (const cable of cables) cable.destroy()
  server?.close()
})

const HELLO = 'SIPHON-SCAN-TOOL 1\n'

/** A tool that answers with these bytes once it is asked; cut at its end or left open. */
async function toolThat(answers: (cable: Socket) => void, greeting = HELLO): Promise<number> {
  server = createServer((cable) => {
    cables.add(cable)
    cable.on('error', () => cable.destroy())
    cable.write(greeting)
    cable.once('data', () => answers(cable))
  }).listen(0, '127.0.0.1')
  await once(server, 'listening')
  return (server.address() as AddressInfo).port
}
async function heard(port: number, asked: ScanAsked, silentMs = 150): Promise<ScanSaid[]> {
  const all: ScanSaid[] = []
  for await (const each of askScanTool(port, asked, new AbortController().signal, { silentMs, againMs: 5 }))
    all.push(each)
  return all
}
const lastOf = (all: ScanSaid[]) => {
  const last = all.at(-1)
  return last?.says === 'fault' ? last.code : last?.says
}
const run = { ask: 'run', routine: 'cycle', until: 'pump-stops' } as const

test('an answer comes as it was said, however its bytes are cut', async () => {
  const port = await toolThat((cable) => {
    for (const piece of ['NUM', 'BER CU 70-114\nCODE C214 pre', 'sent Pump\nEND\n']) cable.write(piece)
  })
  expect(await heard(port, { ask: 'read' })).toEqual([
    { says: 'number', number: 'CU 70-114' },
    { says: 'code', code: 'C214', is: 'present', text: 'Pump' },
    { says: 'end' },
  ])
})

test('that it runs is said once, and what was waited for ends it', async () => {
  const port = await toolThat((cable) => cable.write('RUNS\nRUNS\nRUNS\nCAME pump-stops\n'))
  expect((await heard(port, run)).map(({ says }) => says)).toEqual(['runs', 'came'])
})

test.each<[string, string, ScanAsked, string]>([
  ['torn out half-way', 'RUNS\nCAME pump', run, 'unplugged'],
  ['something else came', 'RUNS\nCAME lamp-out\n', run, 'garbled'],
  ['an end that nobody asked for', 'END\n', run, 'garbled'],
  ['a routine that nobody asked for', 'RUNS\n', { ask: 'read' }, 'garbled'],
  ['a greeting in the middle', HELLO, { ask: 'read' }, 'garbled'],
  ['it refuses', 'REFUSED ignition-off Ignition is off.\n', run, 'refused'],
  ['it breaks off', 'RUNS\nBROKE door-opened A door.\n', run, 'broke'],
])('%s: %s', async (_, answer, asked, ends) => {
  const port = await toolThat((cable) => cable.end(answer))
  expect(lastOf(await heard(port, asked))).toBe(ends)
})

test('one that goes quiet, speaks another version, or is not there, says so', async () => {
  expect(lastOf(await heard(await toolThat((cable) => cable.write('RUNS\n')), run))).toBe('silent')
  server?.close()
  expect(lastOf(await heard(await toolThat(() => {}, 'SIPHON-SCAN-TOOL 3\n'), run))).toBe('version')
  server?.close()
  expect(lastOf(await heard(1, run))).toBe('no-tool')
})

/** A tool whose cable comes out in the middle; each later cable greets and answers what it is asked. */
async function toolTornOut(
  later: (asked: string) => string,
  greeting = 'SIPHON-SCAN-TOOL 2\n',
  first = 'RUNS\n',
) {
  const asked: string[] = []
  server = createServer((cable) => {
    cables.add(cable)
    cable.on('error', () => cable.destroy())
    cable.write(greeting)
    cable.once('data', (line) => {
      asked.push(String(line).trim())
      cable.end(asked.length === 1 ? first : later(String(line).trim()))
    })
  }).listen(0, '127.0.0.1')
  await once(server, 'listening')
  return { port: (server.address() as AddressInfo).port, asked }
}

test('plugged in again in mid-routine it is heard to the end, and never started twice', async () => {
  const { port, asked } = await toolTornOut(() => 'RUNS\nPROMPT Press OK.\nCAME pump-stops\n')
  const said = (await heard(port, run)).map(({ says }) => says)
  expect(said).toEqual(['runs', 'lost', 'runs', 'prompt', 'came'])
  expect(asked).toEqual(['RUN cycle pump-stops', 'HEAR pump-stops'])
})

test('plugged in again, one that runs nothing any more has broken off', async () => {
  const { port } = await toolTornOut(() => 'REFUSED nothing-runs It was switched off.\n')
  expect((await heard(port, run)).at(-1)).toEqual({
    says: 'broke',
    why: 'tool-died',
    text: 'It was switched off.',
  })
})

test('a cable that came out before it ran joins nothing: an earlier routine may have ended the same way', async () => {
  const { port, asked } = await toolTornOut(() => 'CAME pump-stops\n', 'SIPHON-SCAN-TOOL 2\n', '')
  expect(lastOf(await heard(port, run))).toBe('unplugged')
  expect(asked).toEqual(['RUN cycle pump-stops'])
})

test('one of the first version cannot be joined, and one that stays away is given up', async () => {
  const old = await toolTornOut(() => 'CAME pump-stops\n', HELLO)
  expect((await heard(old.port, run)).map(({ says }) => says)).toEqual(['runs', 'fault'])
  server?.close()
  const gone = await toolTornOut(() => 'RUNS\n')
  expect(lastOf(await heard(gone.port, run))).toBe('unplugged')
  expect(gone.asked).toHaveLength(6)
})

test('200 answers of chance, torn, doubled and out of turn: always one end, and it is last', async () => {
  const lines = [
    'NUMBER X',
    'VOLTS 12',
    'CODE C1 present',
    'LIVE pressure 0',
    'END',
    'RUNS',
    'CAME pump-stops',
    'nonsense',
    'BROKE refused',
    HELLO.trim(),
  ]
  for (let seed = 1; seed <= 200; seed++) {
    const chance = new Chance(seed)
    const answer = Array.from({ length: 1 + chance.below(8) }, () => chance.of(lines)).join('\n')
    const port = await toolThat((cable) => cable.end(chance.yes(0.7) ? `${answer}\n` : answer))
    const all = await heard(port, chance.of([run, { ask: 'read' } as const]))
    expect(all.filter(endsAnswer), answer).toHaveLength(1)
    expect(all.length > 0 && endsAnswer(all.at(-1) as ScanSaid), answer).toBe(true)
    server?.close()
  }
})
