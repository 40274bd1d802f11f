import AxeBuilder from '@axe-core/playwright'
import { test as base, expect, type Page } from '@playwright/test'
import { DemoServer } from './server'
import { signIn } from './sign-in'

type Worker = { server: DemoServer }
type Each = {
  /** Failed loads that a journey provokes on purpose; anything else in the console fails it. */
  expectedFailures: RegExp[]
  /** Who takes the screen before the journey begins; null begins at the picker. */
  person: string | null
}

/** A journey: the built app over the demo world, and nothing in the console but what it provokes itself. */
export const test = base.extend<Each & { quietConsole: undefined; taken: undefined }, Worker>({
  server: [
    // biome-ignore lint/correctness/noEmptyPattern: Playwright reads the first parameter's pattern for what a fixture needs
    async ({}, use) => {
      const server = await DemoServer.start()
      await use(server)
      await server.end()
    },
    { scope: 'worker', timeout: 60_000 },
  ],
  baseURL: async ({ server }, use) => use(server.url),
  expectedFailures: [[], { option: true }],
  person: ['Una Brack', { option: true }],
  taken: [
    async ({ context, request, server, person }, use) => {
      if (person !== null)
        for (const each of [context.request, request]) await signIn(each, server.url, person)
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
  const { violations } = await new AxeBuilder({ page }).analyze()
  return violations.flatMap(({ id, nodes }) =>
    nodes.map((node) => `${id}: ${node.target.join(' ')} ${node.failureSummary ?? ''}`),
  )
}

/** A page is ready to be used once its script has taken over. */
export async function visit(page: Page, path: string): Promise<void> {
  await page.goto(path)
  await page.locator('html[data-answers]').waitFor({ state: 'attached' })
}
