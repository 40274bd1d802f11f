import { createHash, createPublicKey, generateKeyPairSync, sign, verify } from 'node:crypto'
import { beforeAll, describe, expect, test } from 'vitest'
import { Chance } from '../base/random'
import { canonicalText, hashOf } from './canonical'
import { eventLink, NOTHING_BEFORE } from './event-chain'
import { type ExportBody, ExportWriter, verifyExport } from './export-file'
import { entryLink, fingerprintOf, type LogbookEntry } from './logbook'

const pair = generateKeyPairSync('ed25519')
const publicKey = Buffer.from(pair.publicKey.export({ format: 'jwk' }).x ?? '', 'base64url').toString('hex')
const signed = (text: string): string => sign(null, Buffer.from(text), pair.privateKey).toString('hex')

const JOBS = 12
const EVENTS = 9

/** A small shop's export: some jobs with their events, records, and a logbook of all of them. */
function soundExport(): string {
  const rows: { table: string; row: Record<string, unknown> }[] = []
  const entries: LogbookEntry[] = []
  const enter = (about: object) => {
    const last = entries.at(-1)
    const at = `2026-05-04T08:00:${String(entries.length).padStart(2, '0')}.000Z`
    const stands = { seq: entries.length + 1, at, previous: last ? entryLink(last) : NOTHING_BEFORE }
    entries.push({ ...about, ...stands, key: fingerprintOf(publicKey) } as LogbookEntry)
  }
  enter({ kind: 'key', publicKey })
  for (let i = 0; i < JOBS; i++) {
    const job = `job${i}`
    rows.push({ table: 'job', row: { id: job, plate: `GNT ${i}` } })
    let previous = NOTHING_BEFORE
    for (let seq = 1; seq <= EVENTS; seq++) {
      const atServer = `2026-05-04T09:0${seq}:00.000Z`
      const event = {
        id: `${job}e${seq}`,
        type: 'pull-seen',
        ml: seq * 1.5,
        note: 'ü, “new”',
        bubbles: ['none'],
      }
      previous = eventLink(previous, { job, seq, atServer, event })
      rows.push({
        table: 'job_event',
        row: { job_id: job, seq, at_server: atServer, body: event, link: previous },
      })
    }
    const state = { plate: `GNT ${i}`, proofs: { leak: { passed: true, value: 0 } } }
    rows.push({ table: 'record', row: { job_id: job, state } })
    enter({ kind: 'record', job, events: EVENTS, eventsLink: previous, record: hashOf(state) })
  }
  for (const entry of entries)
    rows.push({
      table: 'logbook_entry',
      row: { seq: entry.seq, entry, link: entryLink(entry), signature: signed(entryLink(entry)) },
    })
  return written(rows)
}

function written(rows: { table: string; row: Record<string, unknown> }[], by = signed): string {
  const writer = new ExportWriter(by)
  const head: ExportBody = {
    kind: 'head',
    format: 'ruddy-siphon.export',
    version: 1,
    scope: 'all',
    release: '0.0.0',
    at: '2026-05-04T10:00:00.000Z',
    publicKey,
  }
  return [
    writer.write(head),
    ...rows.map((each) => writer.write({ kind: 'row', ...each })),
    writer.write({ kind: 'end', rows: rows.length }),
  ].join('')
}

let sound = ''
beforeAll(() => {
  sound = soundExport()
})

describe('an export', () => {
  test('that is sound verifies, with every record', () => {
    expect(verifyExport(sound)).toMatchObject({ valid: true, records: JOBS, scope: 'all' })
  })

  test('is found altered by each of 2 000 random alterations: bytes, fields, order, lines dropped, put in, signatures swapped', () => {
    const chance = new Chance(5)
    const missed: string[] = []
    for (let i = 0; i < 2000; i++) {
      const { how, text } = altered(sound, chance)
      if (text !== sound && verifyExport(text).valid) missed.push(how)
    }
    expect(missed).toEqual([])
  })

  test('is read the same by a check that shares nothing with it: Node’s own SHA-256 and Ed25519', () => {
    expect(independentFault(sound)).toBeUndefined()
    const chance = new Chance(6)
    for (let i = 0; i < 200; i++) {
      const { text } = altered(sound, chance)
      if (text !== sound) expect(independentFault(text)).toBeDefined()
    }
  })

  test('whose forger wrote every link anew is betrayed by the signature; by another key, by its fingerprint', () => {
    const rows = sound.split('\n').flatMap((line) => {
      const body = line === '' ? undefined : JSON.parse(line).body
      return body?.kind === 'row' ? [{ table: body.table, row: body.row }] : []
    })
    const forger = generateKeyPairSync('ed25519').privateKey
    const forged = written(rows, (text) => sign(null, Buffer.from(text), forger).toString('hex'))
    expect(verifyExport(forged)).toMatchObject({
      valid: false,
      fault: { path: expect.stringMatching(/signature$/) },
    })
    // Whoever holds the shop's key may change a row; what the logbook says of it still stands against it.
    const record = rows.find(({ table }) => table === 'record')
    if (record)
      record.row = { ...record.row, state: { plate: 'GNT 0', proofs: { leak: { passed: true, value: 1 } } } }
    expect(verifyExport(written(rows))).toMatchObject({ valid: false, fault: { path: 'record job0' } })
  })

  test('names what does not fit: the altered line, the missing one, the end that is not there', () => {
    const lines = sound.split('\n')
    const without = (i: number) => [...lines.slice(0, i), ...lines.slice(i + 1)].join('\n')
    const path = (text: string) => {
      const verified = verifyExport(text)
      return verified.valid ? undefined : verified.fault
    }
    expect(path(sound.replace('"ml":3,', '"ml":4,'))?.path).toMatch(/^line \d+$/)
    expect(path(without(20))).toMatchObject({ path: 'line 21.line' })
    expect(path(`${lines.slice(0, 30).join('\n')}\n`)?.message).toContain('cut off')
  })
})

test('canonical text is RFC 8785: members sorted by UTF-16 units, numbers as ECMAScript, no space', () => {
  // The example of RFC 8785, section 3.2.2 and 3.2.3, from memory.
  const value = {
    numbers: [JSON.parse('333333333.33333329'), 1e30, 4.5, 2e-3, 0.000000000000000000000000001],
    string: '€$\u000f\nA\'B"\\\\"/',
    literals: [null, true, false],
  }
  expect(canonicalText(value)).toBe(
    '{"literals":[null,true,false],"numbers":[333333333.3333333,1e+30,4.5,0.002,1e-27],"string":"€$\\u000f\\nA\'B\\"\\\\\\\\\\"/"}',
  )
  expect(canonicalText({ '\u20ac': 1, '\r': 2, '1': 3 })).toBe('{"\\r":2,"1":3,"€":1}')
  expect(() => canonicalText({ a: Number.NaN })).toThrow()
})

/** One thing done to an export that nobody who wrote it did. */
function altered(text: string, chance: Chance): { how: string; text: string } {
  const lines = text.slice(0, -1).split('\n')
  const [i, j] = [chance.below(lines.length), chance.below(lines.length)]
  const joined = (changed: readonly string[]) => `${changed.join('\n')}\n`
  switch (chance.below(7)) {
    case 0: {
      const bytes = Buffer.from(text)
      const at = chance.below(bytes.length)
      bytes[at] = (bytes[at] ?? 0) ^ (1 << chance.below(8))
      return { how: `bit at ${at}`, text: bytes.toString('utf8') }
    }
    case 1:
      return { how: `field in ${i}`, text: joined(lines.with(i, fieldChanged(lines[i] ?? '', chance))) }
    case 2:
      return {
        how: `${i} and ${j} swapped`,
        text: joined(lines.with(i, lines[j] ?? '').with(j, lines[i] ?? '')),
      }
    case 3:
      return { how: `${i} dropped`, text: joined(lines.toSpliced(i, 1)) }
    case 4:
      return { how: `${j} put in at ${i}`, text: joined(lines.toSpliced(i, 0, lines[j] ?? '')) }
    case 5: {
      const signatures = [...text.matchAll(/"signature":"([0-9a-f]{128})"/g)].map(([, each = '']) => each)
      const [a, b] = [chance.of(signatures), chance.of(signatures)]
      return { how: 'signatures swapped', text: text.replace(a, 'x').replace(b, a).replace('"x"', `"${b}"`) }
    }
    default:
      return { how: 'cut', text: text.slice(0, chance.below(text.length)) }
  }
}

/** Some member of the line changed, and the line written as the program would. */
function fieldChanged(line: string, chance: Chance): string {
  const value = JSON.parse(line)
  const at = chance.of(pathsOf(value))
  const holder = at.slice(0, -1).reduce((each, key) => each[key], value)
  const key = at.at(-1) ?? ''
  const old = holder[key]
  holder[key] = typeof old === 'number' ? old + 1 : typeof old === 'string' ? `${old}0` : !old
  return canonicalText(value)
}
const pathsOf = (value: unknown, under: string[] = []): string[][] =>
  typeof value === 'object' && value !== null
    ? Object.entries(value).flatMap(([key, each]) => pathsOf(each, [...under, key]))
    : [under]

/** A second opinion from nothing but Node: sorted members, SHA-256, Ed25519. */
function independentFault(text: string): string | undefined {
  const sorted = (value: unknown): unknown =>
    Array.isArray(value)
      ? value.map(sorted)
      : typeof value === 'object' && value !== null
        ? Object.fromEntries(
            Object.entries(value)
              .sort(([a], [b]) => (a < b ? -1 : 1))
              .map(([key, each]) => [key, sorted(each)]),
          )
        : value
  const sum = (value: unknown) =>
    createHash('sha256')
      .update(JSON.stringify(sorted(value)))
      .digest('hex')
  if (!text.endsWith('\n')) return 'cut'
  const nothing = '0'.repeat(64)
  let previous = nothing
  let last: { signature?: string; body?: { kind?: string; rows?: number } } = {}
  try {
    for (const [i, each] of text.slice(0, -1).split('\n').entries()) {
      const line = JSON.parse(each)
      if (JSON.stringify(sorted(line)) !== each) return `line ${i}: not its one text`
      if (line.line !== i + 1 || line.link !== sum({ previous, line: line.line, body: line.body }))
        return `line ${i}`
      previous = line.link
      last = line
    }
    if (last.body?.kind !== 'end') return 'no end'
    const key = createPublicKey({
      key: { kty: 'OKP', crv: 'Ed25519', x: Buffer.from(publicKey, 'hex').toString('base64url') },
      format: 'jwk',
    })
    return verify(null, Buffer.from(previous), key, Buffer.from(last.signature ?? '', 'hex'))
      ? undefined
      : 'signature'
  } catch (error) {
    return String(error)
  }
}
