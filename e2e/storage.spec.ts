import { execFileSync, spawn } from 'node:child_process'
import { once } from 'node:events'
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { hoseOn } from '../test/http/job'
import { DemoServer, freePort } from '../test/http/server'
import { signIn } from '../test/http/sign-in'
import { expect, reload, serverGone, test, visit } from './journey'
import { goOnUntil } from './steps'

/** What is about to be refused is refused; the console says so too. */
// One pattern: of two, Playwright takes the second for options.
test.use({ expectedFailures: [RegExp(`${serverGone.source}|status of 507`)] })

/** A small disk of its own for the data, in a namespace where anybody may mount one. */
const SMALL_DISK = (dir: string) => [
  'unshare',
  '-rm',
  'sh',
  '-c',
  `mount -t tmpfs -o size=260m tmpfs ${dir} && exec "$0" "$@"`,
]

/** Do something to the disk as the server sees it. */
const atItsDisk = (pid: number, command: string) =>
  execFileSync('nsenter', ['-t', String(pid), '-U', '-m', '--preserve-credentials', 'sh', '-c', command])

test('disk full, then read-only, in mid-job: a clear sentence, the queue keeps what it has and sends it when it may', async ({
  page,
}) => {
  const dir = mkdtempSync(join(tmpdir(), 'siphon-disk-'))
  const server = await DemoServer.start(dir, { through: SMALL_DISK(dir) })
  const pid = server.pid
  await signIn(page.request, server.url)
  await visit(page, `${server.url}/`)
  const job = `${server.url}${await page.getByRole('link', { name: 'GNT 107' }).first().getAttribute('href')}`
  await goOnUntil(page, job, hoseOn)

  const breaks = [
    ['the disk is full', `head -c 240m /dev/zero > ${dir}/filler || true`, `rm ${dir}/filler`],
    ['is read-only', `mount --bind ${dir} ${dir} && mount -o remount,bind,ro ${dir}`, `umount ${dir}`],
  ] as const
  for (const [sentence, breakIt, mendIt] of breaks) {
    const before = (await (await page.request.get(`${job}/events`)).json()).state.length
    atItsDisk(pid, breakIt)
    await page.getByRole('button', { name: 'Call PRESS' }).click()
    await page.getByRole('button', { name: 'The cab says: holding' }).click()
    await expect(page.getByText('the server cannot save now: kept in this browser')).toContainText('(2 acts)')
    await expect(page.getByRole('alert')).toContainText(sentence)
    await reload(page)
    await expect(page.getByText('KEEP HOLDING')).toBeVisible()
    await page.getByRole('button', { name: 'Foot slipped' }).click()
    atItsDisk(pid, mendIt)
    await expect(page.getByText('● saved')).toBeVisible({ timeout: 15_000 })
    const { state } = await (await page.request.get(`${job}/events`)).json()
    expect(state.length).toBe(before + 3)
  }

  atItsDisk(pid, breaks[0][1])
  await visit(page, `${server.url}/settings`)
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('heading', { name: 'Nothing can be saved now' })).toBeVisible()
  await expect(page.getByText('the disk is full')).toBeVisible()
  await server.end()
})

test('where nothing can be written somebody can still come in and read, and a start on a read-only disk reads too', async ({
  browser,
}) => {
  const dir = mkdtempSync(join(tmpdir(), 'siphon-disk-'))
  const server = await DemoServer.start(dir, { through: SMALL_DISK(dir) })
  const comeIn = async () => {
    const context = await browser.newContext()
    await signIn(context.request, server.url, 'Osk Teller')
    const page = await context.newPage()
    await visit(page, `${server.url}/logbook`)
    await expect(page.getByRole('heading', { name: 'Logbook: 3 filed records' })).toBeVisible()
    await context.close()
  }
  atItsDisk(server.pid, `head -c 240m /dev/zero > ${dir}/filler || true`)
  await comeIn()
  await server.end()
  const kept = mkdtempSync(join(tmpdir(), 'siphon-disk-'))
  const writer = await DemoServer.start(`${kept}/data`)
  await writer.stop()
  const reader = await DemoServer.start(`${kept}/data`, {
    through: [
      'unshare',
      '-rm',
      'sh',
      '-c',
      `mount --bind ${kept} ${kept} && mount -o remount,bind,ro ${kept} && exec "$0" "$@"`,
    ],
  })
  const context = await browser.newContext()
  await signIn(context.request, reader.url)
  const record = /href="(\/jobs\/\w+\/record)"/.exec(
    await (await context.request.get(`${reader.url}/logbook`)).text(),
  )?.[1]
  expect(await (await context.request.get(`${reader.url}${record}`)).text()).toContain('Fit to drive')
  await context.close()
  await reader.stop()
  rmSync(kept, { recursive: true })
})

test('started on a full or read-only disk it says so in one sentence, without a stack', async () => {
  const dir = mkdtempSync(join(tmpdir(), 'siphon-disk-'))
  const start = async (mount: string) => {
    const child = spawn(
      'unshare',
      ['-rm', 'sh', '-c', `${mount} && exec "$0" build/node/start.js`, process.execPath],
      { env: { ...process.env, PORT: String(await freePort()), SIPHON_DATA: `${dir}/data` } },
    )
    let said = ''
    child.stderr.on('data', (text: Buffer) => (said += text))
    const [code] = await once(child, 'exit')
    return { code, said }
  }
  const full = await start(`mount -t tmpfs -o size=20m tmpfs ${dir}`)
  expect(full.code).toBe(1)
  expect(full.said).toMatch(/^Nothing can be recorded: the disk is full \(\d+ MB left[^\n]*\n$/)
  mkdirSync(`${dir}/data`)
  writeFileSync(`${dir}/data/kept`, '')
  const readOnly = await start(`mount --bind ${dir} ${dir} && mount -o remount,bind,ro ${dir}`)
  expect(readOnly.code).toBe(1)
  expect(readOnly.said).toMatch(/^Nothing can be recorded: the data folder [^\n]* is read-only[^\n]*\n$/)
  rmSync(dir, { recursive: true })
})
