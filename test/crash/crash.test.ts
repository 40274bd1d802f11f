import { expect, test } from 'vitest'
import { type Image, imagesOf } from './images'
import { recordRun } from './run-of-acts'

/** `npm run crash` opens a thousand; each takes about a second. */
const IMAGES = Number(process.env.CRASH_IMAGES ?? 24)
const ACTS = Number(process.env.CRASH_ACTS ?? 300)

async function cut(synced: boolean, images: number): Promise<Image[]> {
  const seen: Image[] = []
  for await (const image of imagesOf(await recordRun(ACTS, synced), images, 7)) seen.push(image)
  return seen
}

test(`the power cut at ${IMAGES} random moments of ${ACTS} acts: whatever was left opens, holds every act that was acknowledged, and verifies`, async () => {
  const seen = await cut(true, IMAGES)
  expect(seen.filter(({ lost, fault }) => lost > 0 || fault !== undefined)).toEqual([])
  expect(seen.at(-1)?.acknowledged).toBeGreaterThan(ACTS / 2)
})

test('with nothing synced the same cuts lose acts, or leave what does not open', async () => {
  const seen = await cut(false, 6)
  expect(seen.filter(({ lost, fault }) => lost > 0 || fault !== undefined).length).toBeGreaterThan(0)
})
