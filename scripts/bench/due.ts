import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { usualPolicy } from '~core/fluid/policy/policy'
import { openData } from '~server/services/open-data.server'
import { dueUnder, workOutAllDue } from '~server/services/work-out-due.server'
import { dueList } from '~server/store/due.server'
import { fluidNow } from '~server/store/fluid-histories.server'
import { loadDemoWorld } from '../../demo/load'
import vanFile from '../../demo/vehicles/post-van-lhd.json'
import { DemoServer } from '../../test/http/server'
import { line, medianMs, ms } from './measure'
import { signedInCookie } from './signed-in'

const VEHICLES = 2000
const READINGS_EACH = 25

/** A fleet with ten years of readings, made by the database itself; every fifth was exchanged two years ago. */
const FLEET = `
  insert into vehicle (id, name, kind, plate, file)
  select 'fleet ' || i, 'Fleet van ' || i, 'van', 'FLT ' || i, $1::json from generate_series(1, $2::int) i`
const EXCHANGES = `
  insert into fluid_exchange (id, vehicle_id, done_on, spec)
  select 'x ' || i, 'fleet ' || i, date '2024-03-01' + (i % 400), 'DOT 4' from generate_series(1, $1::int) i where i % 5 < 4`
const READINGS = `
  insert into fluid_reading (id, vehicle_id, taken_on, tester, value, place, water_low, water_pct, water_high)
  select 'r ' || i || ' ' || k, 'fleet ' || i, date '2016-01-01' + k * 150 + i % 90, 'percent-meter', w, 'reservoir', w - 0.5, w, w + 0.5
  from generate_series(1, $1::int) i, generate_series(1, $2::int) k, lateral (select 0.5 + (k % 6) * 0.4 + (i % 7) * 0.05 as w)`

/** The due list of a large fleet: read from what was stored when it was written, against working it out anew. */
export async function benchDue(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'siphon-bench-'))
  const { db } = await openData(folder, resolve('build'))
  await loadDemoWorld(db, new Date())
  await db.query(FLEET, [JSON.stringify(vanFile), VEHICLES])
  await db.query(EXCHANGES, [VEHICLES])
  await db.query(READINGS, [VEHICLES, READINGS_EACH])
  await db.query('analyze')
  const began = performance.now()
  await workOutAllDue(db, '2026-11-26')
  const writtenMs = performance.now() - began
  const rows = await dueList(db)
  const listMs = await medianMs(20, () => dueList(db))
  const ids = (await db.query<{ id: string }>('select id from vehicle')).map(({ id }) => id)
  const anewMs = await medianMs(3, async () => {
    for (const now of (await fluidNow(db, ids, '2026-11-26')).values()) dueUnder(usualPolicy, now)
  })
  await db.close()
  const server = await DemoServer.start(folder)
  const headers = { cookie: await signedInCookie(server.url) }
  const pageMs = await medianMs(20, async () => {
    await (await fetch(`${server.url}/due`, { headers })).text()
  })
  await server.end()
  rmSync(folder, { recursive: true, force: true })
  const fleet = `${rows.length} vehicles, ${VEHICLES * READINGS_EACH} readings`
  line(
    `due list of ${fleet}, as stored (worked out anew ${ms(anewMs)}: ${(anewMs / listMs).toFixed(0)} × longer)`,
    ms(listMs),
    'under 300 ms',
  )
  line('its whole page over http', ms(pageMs), 'under 300 ms')
  line(
    'every day worked out and stored again, after another policy',
    `${(writtenMs / 1000).toFixed(1)} s`,
    'stored when written',
  )
}
