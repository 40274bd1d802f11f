import { chromium } from '@playwright/test'
import { chromiumOptions, type DemoServer } from '../../test/http/server'
import { signIn } from '../../test/http/sign-in'
import { line, ms, quantile } from './measure'

const CHANGES = 40

/** In the page: another temperature typed, until the plan that stands there is another and the browser has painted it. */
async function changeAndPaint(tempC: number): Promise<number> {
  const field = document.querySelector<HTMLInputElement>('#tempC')
  const plan = document.querySelector('[aria-label="The plan in short"]')
  const setter = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set
  if (!field || !plan || !setter) throw new Error('the plan page has changed')
  const began = performance.now()
  const changed = new Promise<void>((resolve) => {
    const seen = new MutationObserver(() => {
      seen.disconnect()
      resolve()
    })
    seen.observe(plan, { childList: true, characterData: true, subtree: true })
  })
  setter.call(field, String(tempC))
  field.dispatchEvent(new Event('input', { bubbles: true }))
  await changed
  await new Promise<void>((resolve) => requestAnimationFrame(() => setTimeout(resolve)))
  return performance.now() - began
}

/** From a key pressed in the what-if strip to the new plan painted, in a real browser. */
export async function benchWhatIf(server: DemoServer): Promise<void> {
  const browser = await chromium.launch(chromiumOptions)
  const context = await browser.newContext({ baseURL: server.url })
  await signIn(context.request, server.url)
  const page = await context.newPage()
  await page.goto('/')
  const job = page.getByRole('link', { name: 'GNT 212' }).first()
  await page.goto(`${await job.getAttribute('href')}/plan`)
  await page.locator('html[data-answers]').waitFor({ state: 'attached' })
  const taken: number[] = []
  // Far enough apart that the minutes of the bleed are others each time.
  for (let i = 0; i < CHANGES; i++) taken.push(await page.evaluate(changeAndPaint, i % 2 === 0 ? -20 : 30))
  await browser.close()
  line(
    `what-if to redraw, median of ${CHANGES} (p95 ${ms(quantile(taken, 0.95))})`,
    ms(quantile(taken, 0.5)),
    'under 50 ms',
  )
}
