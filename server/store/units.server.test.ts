import { afterAll, beforeAll, expect, test } from 'vitest'
import { metricUnits, usUnits } from '~core/units/units'
import type { Database } from '~server/db/database.server'
import { newStore } from '~test/worlds/store'
import { addPerson } from './people.server'
import { saveOwnUnits, saveShopUnits, unitsFor } from './units.server'

let db: Database
let personId = ''
beforeAll(async () => {
  db = await newStore()
  const added = await addPerson(db, 'Somebody', '4257')
  if (!added.ok) throw new Error(added.fault.text)
  personId = added.person.id
})
afterAll(() => db.close())

test('metric where nobody chose, then the shop’s, then one’s own, and the shop’s again', async () => {
  const mixed = { ...metricUnits, pressure: 'psi' as const }
  expect(await unitsFor(db, personId)).toEqual({ shown: metricUnits, own: false, shop: metricUnits })
  await saveShopUnits(db, mixed)
  expect(await unitsFor(db, personId)).toEqual({ shown: mixed, own: false, shop: mixed })
  await saveOwnUnits(db, personId, usUnits)
  expect(await unitsFor(db, personId)).toEqual({ shown: usUnits, own: true, shop: mixed })
  expect((await unitsFor(db, undefined)).shown).toEqual(mixed)
  await saveOwnUnits(db, personId, null)
  expect(await unitsFor(db, personId)).toEqual({ shown: mixed, own: false, shop: mixed })
})
