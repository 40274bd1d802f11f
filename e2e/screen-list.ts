import type { Page } from '@playwright/test'
import { benchPages } from '~core/calculators'
import { visit } from './journey'

/** Every screen of the demo world that has an address, by what it is called. */
export async function screens(page: Page): Promise<Record<string, string>> {
  await visit(page, '/')
  const to = async (name: string) =>
    (await page.getByRole('link', { name }).first().getAttribute('href')) ?? ''
  const [fresh, tested, underWay] = [await to('SKU 30'), await to('GNT 212'), await to('GNT 107')]
  // The yard lists a few vehicles only, and other journeys bring theirs.
  await visit(page, '/vehicles')
  const vehicle = await to('MRM 61')
  const van = await to('GNT 107')
  await visit(page, '/logbook')
  const record = await to('MRM 61')
  const filed = record.replace(/\/record$/, '')
  /** The first address of this form that a page leads to. */
  const from = async (path: string, address: RegExp) =>
    address.exec(await (await page.request.get(path)).text())?.[0] ?? ''
  return {
    yard: '/',
    vehicles: '/vehicles',
    'new vehicle': '/vehicles/new',
    vehicle,
    'edit vehicle': `${vehicle}/edit`,
    'fluid of a vehicle': `${vehicle}/fluid`,
    logbook: '/logbook',
    record,
    certificate: `${filed}/certificate`,
    'what the logbook says': await from(`${filed}/certificate`, /\/check\/[0-9a-f]+/),
    prove: `${filed}/prove`,
    labels: await from('/shelf', /\/shelf\/labels\?code=\w+/),
    routine: await from(van, /\/vehicles\/\w+\/routine\/\w+/),
    due: '/due',
    shelf: '/shelf',
    policy: '/policy',
    shop: '/settings',
    people: '/people',
    units: '/units',
    who: '/who',
    'plan a file': '/plan-file',
    'check in': `${fresh}/check-in`,
    test: `${tested}/test`,
    plan: `${tested}/plan`,
    'from paper': `${tested}/from-paper`,
    bleed: `${underWay}/bleed`,
    unit: `${underWay}/unit`,
    file: `${underWay}/file`,
    move: `${underWay}/move`,
    pedal: `${underWay}/pedal`,
    find: `${underWay}/find?complaint=soft-pedal`,
    sheets: `${underWay}/sheets`,
    sheet: `${underWay}/sheets/cylinder/cylinder`,
    trace: `${underWay}/trace`,
    'record as it goes': `${underWay}/record`,
    tag: `${underWay}/tag`,
    card: `${tested}/card`,
    'fault finder': '/find',
    prices: '/find/prices',
    practice: '/practice',
    'cab code': '/cab',
    kit: '/kit',
    bench: '/bench',
    ...Object.fromEntries(benchPages.map(({ id }) => [`bench: ${id}`, `/bench/${id}`])),
  }
}
