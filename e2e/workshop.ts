import type { Page } from '@playwright/test'
import { carefulProof } from '~core/job/careful'
import type { FloorEvent, Unstamped } from '~core/job/events'
import type { Seen } from '~core/job/practice-vehicle'
import { checksFor } from '~core/job/proofs/checks'
import { allOpen } from '~core/job/standing'
import type { JobState } from '~core/job/state'
import { currentStep } from '~core/job/steps'
import { toWire } from '~core/job/wire'
import type { Step } from '~core/technique/step'
import type { Hands } from '../test/http/job'
import { DemoServer } from '../test/http/server'
import type { Device } from './device'
import { expect, visit } from './journey'
import { goOnUntil, record, savedState } from './steps'

/** What the stand-in shows of its vehicle; the air nobody at a real one would see. */
export type Shown = { airMl: number; closedAirMl: number; live: string[] }

/** With the joint open this long goes by before somebody closes or looks, s of the page. */
const OPEN_S = 3
/** Somebody looks once so much has come, or after so long. */
const LOOK_ML = 25
const MOST_WAITS = 40

const waits = (state: JobState): Step | undefined => {
  const step = state.run && currentStep({ run: state.run, standing: state.standing })?.step
  return step?.awaits === undefined ? undefined : step
}

/**
 * A whole job on one desk: what is done to the job is done to the vehicle in the scan tool’s stand-in, what is written
 * down is what that vehicle shows, and what a routine waits for is run by the tool.
 */
export class Workshop {
  private seen?: Seen
  constructor(
    readonly page: Page,
    readonly job: string,
    readonly tool: Device,
  ) {}

  /** Look at the vehicle without touching it. */
  shown = async (): Promise<Shown> => (await fetch(`${this.tool.pageUrl}/state`)).json()

  /** @param after the job, which is sent along where the stand-in asks for it: somebody acted whom it did not follow */
  private async follow(body: object, after?: JobState): Promise<void> {
    const answer = await fetch(`${this.tool.pageUrl}/follow`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
    })
    if (answer.status === 409 && after) return this.follow({ ...body, job: toWire(after) })
    if (!answer.ok) throw new Error(`the stand-in answered ${answer.status}`)
    this.seen = await answer.json()
  }

  /** Both hands: a look is what the vehicle shows, everything else is done to it. */
  readonly hands: Hands = {
    writes: async (act, state) => {
      if (act.type !== 'pull-seen') return act
      const open = allOpen(state).length > 0
      for (let n = 0; open && n < MOST_WAITS && (this.seen?.sinceMl ?? 0) < LOOK_ML; n++)
        await this.follow({ passS: OPEN_S })
      const { sinceMl = 0, colour = 'new', bubbles = 'none' } = this.seen ?? {}
      return { ...act, ml: Math.max(0, Math.round(sinceMl * 10) / 10), colour, bubbles }
    },
    did: (event, state) =>
      this.follow({ event, length: state.length, passS: allOpen(state).length > 0 ? OPEN_S : 0 }, state),
  }

  /** Go on as a careful technician would; the tool runs what a routine waits for. */
  async goOn(reached: (state: JobState) => boolean = () => false): Promise<void> {
    for (;;) {
      await goOnUntil(
        this.page,
        this.job,
        (state) => reached(state) || waits(state) !== undefined,
        this.hands,
      )
      const state = await savedState(this.page, this.job)
      const step = waits(state)
      if (!step || reached(state)) return
      await this.letRun(step)
    }
  }

  /** The tool runs what is waited for now; where it takes its time, time goes by. */
  async letRun({ id, leastS = 0 }: Step): Promise<void> {
    const { page } = this
    if (leastS > 0) await page.clock.install()
    await page.getByRole('button', { name: 'Let the tool run it' }).click()
    if (leastS > 0) {
      await expect(page.getByRole('timer')).toBeVisible()
      await savedState(page, this.job)
      for (let s = 0; s <= leastS; s += 60) await DemoServer.at(page.url()).minuteOn()
      await page.clock.fastForward(leastS * 1000 + 1000)
    }
    await expect(async () => {
      const { run, standing } = await savedState(page, this.job)
      expect(run && currentStep({ run, standing })?.step.id).not.toBe(id)
    }).toPass({ timeout: 20_000 })
  }

  /** One act as a screen sends it, done to the vehicle too. */
  async do(act: Unstamped<FloorEvent>): Promise<void> {
    const { event } = await record(this.page, this.job, act)
    const state = await savedState(this.page, this.job)
    await this.hands.did(event as FloorEvent, state)
  }

  /** Read the unit off the tool on its page: at rest, then under a firm foot; what it says is recorded. */
  async read({
    pressed = true,
    calibration,
  }: {
    pressed?: boolean
    calibration?: 'done' | 'none-asked'
  } = {}) {
    const { page, tool } = this
    await visit(page, `${this.job}/unit`)
    // The page’s clock goes with the server’s, which was moved on for what takes its time.
    await page.clock.setSystemTime(Date.now() + DemoServer.at(page.url()).aheadMs)
    await page.getByRole('button', { name: 'Read the tool: foot off' }).click()
    await expect(page.getByText(/^Read: CU/)).toBeVisible()
    if (pressed) {
      // The pedal is measured at the third press: by then the pads lie against their discs.
      for (const down of [true, false, true, false, true]) await tool.act({ do: 'foot', down })
      await page.getByRole('button', { name: 'Read it: firm foot' }).click()
      await expect(page.getByLabel('Under a firm foot')).not.toHaveValue('')
      await tool.act({ do: 'foot', down: false })
    }
    if (calibration) await page.getByLabel('Its calibration').selectOption(calibration)
    await page.getByRole('button', { name: 'Record what it says' }).click()
    await savedState(page, this.job)
  }

  /** Prove everything up to a proof, in its order; on the road the unit works. */
  async prove(before?: string): Promise<void> {
    const { page, job } = this
    const here = new URL(page.url())
    const state = await savedState(page, job)
    for (const check of checksFor(state)) {
      if (check.id === before) break
      if (state.proofs[check.id]?.passed) continue
      for (const act of carefulProof(await savedState(page, job), check)) {
        if (act.type === 'unit-read') {
          await this.read(check.units === 'driven' ? {} : { calibration: 'done' })
          continue
        }
        if (act.type === 'check-proved' && act.heldS !== undefined) {
          await record(page, job, { type: 'timer-started', timer: check.id })
          await DemoServer.at(here.origin).minuteOn()
        }
        await record(page, job, act)
      }
      if (check.id === 'road-test') await this.tool.act({ do: 'drive' })
    }
  }

  async file(): Promise<void> {
    const { page, job } = this
    await visit(page, `${job}/file`)
    await page.getByRole('button', { name: 'File it' }).click()
    await expect(page.getByText('✓ FIT TO DRIVE')).toBeVisible()
  }
}
