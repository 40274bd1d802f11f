import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { metricUnits, usUnits } from '~core/units/units'
import type { KeptDatabase } from '~server/db/engine.server'
import { newStore } from '~test/worlds/store'
import {
  addPerson,
  checkPin,
  leaveScreen,
  listPeople,
  personAtScreen,
  seenAt,
  takeScreen,
} from './people.server'
import { saveOwnUnits } from './units.server'
import { saveShopZone } from './zone.server'

let db: KeptDatabase
beforeAll(async () => {
  db = await newStore()
  expect(await addPerson(db, 'Una Brack', '4107')).toMatchObject({ ok: true })
})
afterAll(() => db.close())

describe('people', () => {
  const at = (minutes: number) => new Date(Date.parse('2026-05-04T08:00:00Z') + minutes * 60_000)
  const una = async () => (await listPeople(db)).find(({ name }) => name === 'Una Brack')?.id ?? ''

  test('a PIN is kept as an argon2id hash, and nowhere as itself', async () => {
    const rows = await db.query<{ pin_hash: string }>('select pin_hash from person')
    for (const { pin_hash } of rows) expect(pin_hash).toMatch(/^\$argon2id\$/)
  })

  test('the fifth wrong PIN locks for five minutes, the right one with it; after that it doubles', async () => {
    const id = await una()
    const tries = async (minutes: number) => {
      const codes: string[] = []
      for (let i = 0; i < 5; i++) {
        const checked = await checkPin(db, id, '0000', at(minutes), 'bay 1')
        if (!checked.ok) codes.push(checked.fault.code)
      }
      return codes
    }
    expect(await tries(0)).toEqual(Array(5).fill('wrong-pin'))
    expect(await checkPin(db, id, '4107', at(4), 'bay 1')).toMatchObject({ fault: { code: 'locked' } })
    await tries(5)
    expect(await checkPin(db, id, '4107', at(14), 'bay 1')).toMatchObject({ fault: { code: 'locked' } })
    expect(await checkPin(db, id, '4107', at(16), 'bay 1')).toMatchObject({
      ok: true,
      person: { name: 'Una Brack' },
    })
  })

  test('wrong PINs sent all at once count each for itself', async () => {
    const id = await una()
    const checked = await Promise.all(
      Array.from({ length: 12 }, () => checkPin(db, id, '9999', at(100), 'bay 1')),
    )
    const looked = checked.filter((each) => !each.ok && each.fault.code === 'wrong-pin')
    expect(looked.length).toBeLessThanOrEqual(5)
    expect((await checkPin(db, id, '4107', at(200), 'bay 1')).ok).toBe(true)
  })

  test('a screen knows who took it until they leave, or a long shift is over', async () => {
    const id = await una()
    const token = await takeScreen(db, id, at(0))
    expect(await personAtScreen(db, token, at(60))).toMatchObject({ name: 'Una Brack' })
    expect(await personAtScreen(db, token, at(15 * 60))).toBeUndefined()
    expect(await personAtScreen(db, `${token}x`, at(60))).toBeUndefined()
    await leaveScreen(db, token)
    expect(await personAtScreen(db, token, at(60))).toBeUndefined()
  })

  test('who is there comes with their units and the shop’s zone; nobody has the shop’s', async () => {
    const id = await una()
    await saveShopZone(db, 'Pacific/Apia')
    await saveOwnUnits(db, id, usUnits)
    const token = await takeScreen(db, id, at(0))
    expect(await seenAt(db, token, at(1))).toMatchObject({
      person: { id, name: 'Una Brack' },
      units: { shown: usUnits, shop: metricUnits },
      zone: 'Pacific/Apia',
    })
    const nobody = { units: { shown: metricUnits, own: false, shop: metricUnits }, zone: 'Pacific/Apia' }
    expect(await seenAt(db, undefined, at(1))).toEqual(nobody)
    expect(await seenAt(db, `${token}x`, at(1))).toEqual(nobody)
  })

  test('a name is taken once, and after the first only somebody who is here adds another', async () => {
    expect(await addPerson(db, 'una brack', '1284', { id: 'x', name: 'X' })).toMatchObject({
      fault: { code: 'name-taken' },
    })
    expect(await addPerson(db, 'A Stranger', '1284')).toMatchObject({ fault: { code: 'not-first' } })
  })
})
