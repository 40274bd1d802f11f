import type { Page } from '@playwright/test'
import axe from 'axe-core'
import { expect, test as http } from '../test/http/http'
import { signIn } from '../test/http/sign-in'

type Each = {
  /** Failed loads that a journey provokes on purpose; anything else in the console fails it. */
  expectedFailures: RegExp[]
}

/** What a page meets whose server goes away, or whose wire is cut. */
export const serverGone =
  /ERR_CONNECTION_REFUSED|ERR_CONNECTION_RESET|ERR_EMPTY_RESPONSE|ERR_INCOMPLETE_CHUNKED_ENCODING|Failed to fetch/

/** A journey: the built app over the demo world, and nothing in the console but what it provokes itself. */
export const test = http.extend<Each & { quietConsole: undefined; taken: undefined }>({
  expectedFailures: [[], { option: true }],
  taken: [
    async ({ context, server, person }, use) => {
      if (person !== null) await signIn(context.request, server.url, person)
      await use(undefined)
    },
    { auto: true },
  ],
  quietConsole: [
    async ({ page, expectedFailures }, use) => {
      const said: string[] = []
      page.on(
        'console',
        (message) => message.type() === 'error' && said.push(`${message.text()} ${message.location().url}`),
      )
      page.on('pageerror', (error) => said.push(error.message))
      await use(undefined)
      expect(said.filter((line) => !expectedFailures.some((pattern) => pattern.test(line)))).toEqual([])
    },
    { auto: true },
  ],
})

export { expect }

/** What axe finds wrong on the page as it stands. */
export async function accessibilityFaults(page: Page): Promise<string[]> {
  // Put in once a page: reading it in takes as long as looking.
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source)
  return page.evaluate(async () => {
    const { axe } = window as unknown as { axe: typeof import('axe-core') }
    const { violations } = await axe.run(document, { resultTypes: ['violations'] })
    return violations.flatMap(({ id, nodes }) =>
      nodes.map((node) => `${id}: ${node.target.join(' ')} ${node.failureSummary ?? ''}`),
    )
  })
}

/** A page is ready to be used once its script has taken over. */
export async function visit(page: Page, path: string): Promise<void> {
  await page.goto(path)
  await answers(page)
}
export async function reload(page: Page): Promise<void> {
  await page.reload()
  await answers(page)
}
const answers = (page: Page) => page.locator('html[data-answers]').waitFor({ state: 'attached' })
