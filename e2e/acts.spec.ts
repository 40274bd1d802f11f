import postVan from '../demo/vehicles/post-van-lhd.json' with { type: 'json' }
import { expect, test } from './journey'
import { plannedOn } from './set-up'
import { linkPhone } from './steps'
import { helper, Technician } from './technician'

/** In the phone's page: how long from “it is up” to the next PRESS, ms. */
function watchUpToPress(): void {
  const gaps: number[] = []
  let upAt = 0
  addEventListener('click', ({ target }) => {
    if ((target as Element).textContent === 'It is up') upAt = performance.now()
  })
  new MutationObserver(() => {
    if (upAt === 0 || document.querySelector('h1')?.textContent !== 'PRESS') return
    gaps.push(Math.round(performance.now() - upAt))
    upAt = 0
  }).observe(document.body, { childList: true, characterData: true, subtree: true })
  Object.assign(window, { gaps })
}

test('a routine exchange of the post van by two people: two acts a pull at the bay, and few beside them', async ({
  page,
  browser,
  server,
}) => {
  test.setTimeout(600_000)
  const job = await plannedOn(page, postVan, 'ACT 1')
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, baseURL: server.url })
  const technician = new Technician(page, job)
  const { touched } = technician
  await linkPhone(page, context.request, server.url)
  const cab = await context.newPage()
  await cab.goto('/cab/screen')
  await cab.evaluate(watchUpToPress)
  // One step, or every act looks through all the steps before it.
  await test.step('the whole bleed', async () => {
    const end = helper(cab, technician)
    while (await technician.next()) {}
    await end()
  })
  const gaps = await cab.evaluate(() => (window as unknown as { gaps: number[] }).gaps)
  const byItself = gaps.toSorted((a, b) => a - b)
  console.log(`from up to PRESS: half within ${byItself[byItself.length >> 1]} ms of ${gaps.length}`)
  await context.close()
  console.log(
    `${touched.bay} acts at the bay, ${touched.forPulls} of them for pulls, ${touched.phone} on the phone, ${touched.pulls} pulls, ${touched.looks} looks, ${touched.topUps} fills`,
  )
  // For 69 pulls there were 377 acts at the bay (5.5 a pull), before looks were passed over and presses called by themselves.
  expect(touched.bay).toBeLessThanOrEqual(2.6 * touched.pulls)
  expect(touched.forPulls).toBeLessThanOrEqual(2.3 * touched.pulls)
  expect(touched.phone).toBeLessThanOrEqual(2 * touched.pulls + 2)
})
