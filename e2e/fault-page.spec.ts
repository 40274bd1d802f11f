import { once } from 'node:events'
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { resolve } from 'node:path'
import { passingKey } from '~server/db/shop-key.server'
import { builtPages, createApp } from '~server/http/app'
import { accessibilityFaults, expect, test } from './journey'

/** A database that fails at every question, as one on a broken disk would. */
const broken = {
  query: () => Promise.reject(new Error('secret detail of the disk')),
  transaction: () => Promise.reject(new Error('secret detail of the disk')),
  writable: async () => {},
  close: async () => {},
  shopKey: passingKey(),
}

test.use({ expectedFailures: [/status of 500/] })

test('an unexpected fault has a page of its own with a reference number, and nothing of what broke', async ({
  page,
}) => {
  const server = createServer(
    createApp(broken, resolve('build'), new Set(['127.0.0.1']), await builtPages(resolve('build'))),
  ).listen(0, '127.0.0.1')
  await once(server, 'listening')
  const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
  const response = await page.goto(`${url}/`)
  expect(response?.status()).toBe(500)
  await expect(page.getByRole('heading', { name: 'Something broke on our side' })).toBeVisible()
  await expect(page.getByText('Reference number')).toContainText(/[0-9A-F]{8}/)
  expect(await page.content()).not.toContain('secret detail')
  expect(await accessibilityFaults(page)).toEqual([])
  server.close()
  server.closeAllConnections()
})
