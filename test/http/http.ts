import { test as base, expect } from '@playwright/test'
import { DemoServer } from './server'
import { signIn } from './sign-in'

/** A server that is further ahead as a test begins is started anew. */
const MOST_AHEAD_MS = 3 * 60_000

type Worker = { server: DemoServer }
type Each = {
  /** Who takes the screen before the test begins; null begins at the picker. */
  person: string | null
}

/** The built server over the demo world, driven by requests: no browser. */
export const test = base.extend<Each & { signedIn: undefined }, Worker>({
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
  person: ['Una Brack', { option: true }],
  signedIn: [
    async ({ request, server, person }, use) => {
      // Acts of a screen whose clock is ten minutes off are put right, so tests before may not have moved it far.
      if (server.aheadMs > MOST_AHEAD_MS) {
        await server.stop()
        await server.run()
      }
      if (person !== null) await signIn(request, server.url, person)
      await use(undefined)
    },
    { auto: true },
  ],
})

export { expect }
