import type { Locator, Page } from '@playwright/test'
import { colourFact } from '~core/fluid/specs/colour'
import type { FloorEvent } from '~core/job/events'
import { hiddenIn } from '~core/job/practice-hides'
import { PracticeVehicle } from '~core/job/practice-vehicle'
import type { JobState } from '~core/job/state'
import { vehicleSchema } from '~core/vehicle/schema'
import { sayMetric } from '~core/words'
import postVan from '../demo/vehicles/post-van-lhd.json' with { type: 'json' }
import type { Device } from './device'
import { expect } from './journey'
import { holdClosed, savedState } from './steps'

/** How often bay and phone were touched; of the bay, how often for a pull: to open, to close, to write down what came. */
export type Touched = {
  bay: number
  phone: number
  forPulls: number
  pulls: number
  looks: number
  topUps: number
}

const GOES_ON = /^(Yes, the plate|Done$|Hose is on|Tight, cap on)/

/** What the bay may ask for, each by the button that answers it, or by a heading; what comes first goes first. */
const asks = {
  open: /^It is open/,
  close: /is CLOSED/,
  look: /^What did the/,
  topUp: /^Topped up: go on/,
  atMax: /^At MAX/,
  step: /^(Drawn out|Poured)$/,
  goOn: GOES_ON,
  nothing: /^Now prove it\./,
} as const
type Asked = keyof typeof asks
const FOR_PULLS: ReadonlySet<Asked> = new Set(['open', 'close', 'look'])

/**
 * Which of these a page shows first, each by what its name matches; what stands first goes first. Seen where it happens,
 * and only looked for where something has changed: asking the page again and again loads the machine.
 */
async function firstShown<Name extends string>(
  page: Page,
  selector: string,
  names: Readonly<Record<Name, RegExp>>,
): Promise<Name> {
  const patterns = Object.entries<RegExp>(names).map(([name, { source }]) => ({ name, source }))
  const first = await page.evaluate(
    ({ selector, patterns }) =>
      new Promise<string>((shown) => {
        const look = () => {
          const said = [...document.querySelectorAll(selector)]
            .filter((each) => each.checkVisibility())
            .map((each) => (each.getAttribute('aria-label') ?? each.textContent ?? '').trim())
          const found = patterns.find(({ source }) => said.some((each) => RegExp(source).test(each)))
          if (!found) return
          changes.disconnect()
          shown(found.name)
        }
        const changes = new MutationObserver(look)
        const all = { attributes: true, childList: true, characterData: true, subtree: true }
        changes.observe(document.body, all)
        look()
      }),
    { selector, patterns },
  )
  return first as Name
}
const askedNow = (page: Page) => firstShown(page, 'button:enabled, h1, h2, h3, p, strong', asks)

const VAN = vehicleSchema.parse(postVan)

/** Both hands of the technician and the van under them: what the bottle shows is what comes out of it. */
export class Technician {
  readonly touched: Touched = { bay: 0, phone: 0, forPulls: 0, pulls: 0, looks: 0, topUps: 0 }
  private readonly van = new PracticeVehicle(VAN, hiddenIn(VAN), 20)
  private state?: JobState
  /** Until then the helper's foot stays where it is. */
  helperMay: Promise<void> = Promise.resolve()
  constructor(
    private readonly page: Page,
    private readonly job: string,
    /** Under the bottle, where there is one: it tells what came, and that it came. */
    private readonly scale?: Device,
  ) {}

  private async tap(target: Locator): Promise<void> {
    await target.click()
    this.touched.bay++
  }
  /** What was done to the job is done to the van. */
  private async follow(act: object = { type: 'call' }): Promise<void> {
    const before = this.state
    this.state = await savedState(this.page, this.job)
    if (before) this.van.follow(before, act as FloorEvent, this.state)
  }
  /** What came out of it by now, mL. */
  passedMl = 0
  private button = (name: string | RegExp) => this.page.getByRole('button', { name })

  /** Do what the bay asks for now. @returns false once the bleed is finished */
  async next(): Promise<boolean> {
    const asked = await askedNow(this.page)
    const ways: Record<Exclude<Asked, 'nothing'>, () => Promise<void>> = {
      open: () => this.open(),
      close: () => this.close(),
      look: () => this.look(),
      topUp: () => this.topUp(),
      atMax: () => this.tapped(/^At MAX/),
      step: () => this.step(),
      goOn: () => this.tapped(GOES_ON),
    }
    if (asked === 'nothing') return false
    const before = this.touched.bay
    await ways[asked]()
    if (FOR_PULLS.has(asked)) this.touched.forPulls += this.touched.bay - before
    return true
  }
  private async tapped(name: RegExp): Promise<void> {
    await this.tap(this.button(name))
    await this.follow({ type: 'point-ready' })
  }
  private async step(): Promise<void> {
    const ml = Number(await this.page.getByLabel(/, mL$/).inputValue({ timeout: 5000 }))
    await this.tap(this.button(/^(Drawn out|Poured)$/))
    await this.follow({ type: 'step-done', ml })
  }
  private async topUp(): Promise<void> {
    const ml = Number(await this.page.getByLabel(/, mL$/).inputValue({ timeout: 5000 }))
    const reservoir = this.van.seen().reservoirs[0]?.id
    await this.tap(this.button('Topped up: go on'))
    this.touched.topUps++
    await this.follow({ type: 'topped-up', reservoir, ml })
  }
  private async open(): Promise<void> {
    await this.follow()
    if (this.scale) return this.openOnScale(this.scale)
    await this.tap(this.button('It is open'))
    await expect(this.button('is CLOSED')).toBeVisible()
    await this.follow()
    this.van.pass(4)
  }
  /** The spanner turns, fluid comes, and nobody taps anything. */
  private async openOnScale(scale: Device): Promise<void> {
    const before = this.van.seen().bottleMl
    // The van opens once the job says so, and the job says so once the first of it has come.
    let pouredMl = 0
    await expect(async () => {
      await scale.act({ do: 'pour', ml: 1.5 })
      pouredMl += 1.5
      await expect(this.button('is CLOSED')).toBeVisible({ timeout: 250 })
    }).toPass({ intervals: [10], timeout: 15_000 })
    await this.follow()
    this.van.pass(4)
    const moreMl = Math.max(0, this.van.seen().bottleMl - before - pouredMl)
    await scale.act({ do: 'pour', ml: moreMl })
    this.passedMl += pouredMl + moreMl
  }
  private async close(): Promise<void> {
    // The van's foot comes up before the helper's next word.
    let closed = () => {}
    this.helperMay = new Promise((done) => {
      closed = done
    })
    const bubbles = this.button('CLOSED, bubbles')
    const came = this.van.seen().bubbles !== 'none' && (await bubbles.isVisible())
    await holdClosed(this.page, came ? 'CLOSED, bubbles' : 'is CLOSED')
    this.touched.bay++
    this.touched.pulls++
    await this.follow()
    closed()
  }
  /** The nearest mark, the colour and the bubbles that the hose shows; what stands there already is not tapped. */
  private async look(): Promise<void> {
    const { sinceMl, colour, bubbles } = this.van.seen()
    const marks = await this.page.getByRole('button', { name: /mL more$/ }).all()
    const adds = await Promise.all(
      marks.map(async (mark) => Number(/\+([\d.]+) mL more/.exec((await mark.textContent()) ?? '')?.[1])),
    )
    // By the scale there are none.
    const nearest = adds.indexOf(
      adds.reduce(
        (best, each) => (Math.abs(each - sinceMl) < Math.abs(best - sinceMl) ? each : best),
        adds[0] ?? 0,
      ),
    )
    const cleanAndNew = this.button(/^No bubbles, as new/)
    const inOne = bubbles === 'none' && colour === 'new' && (await cleanAndNew.isVisible())
    const colourOf = inOne ? undefined : this.button(new RegExp(`^${sayMetric(colourFact(colour))}$`))
    for (const target of [marks[nearest], colourOf])
      if (target && (await target.getAttribute('aria-pressed')) !== 'true') await this.tap(target)
    const names = { none: /^No bubbles(?!, as new)/, froth: /^Froth/, string: /^String/, slug: /^Slug/ }
    await this.tap(inOne ? cleanAndNew : this.button(names[bubbles]))
    this.touched.looks++
    await this.follow({ type: 'pull-seen', ml: adds[nearest] ?? sinceMl, colour, bubbles })
  }
}

/** Once the phone asks its helper for something. */
const askedOf = (cab: Page) => firstShown(cab, 'button', { asked: /^It is/ })

/** The helper with the phone does what it asks for, as soon as it does. @returns ends it */
export function helper(cab: Page, technician: Technician): () => Promise<void> {
  let end = () => {}
  const ends = new Promise<'ended'>((done) => {
    end = () => done('ended')
  })
  const answers = cab.getByRole('button', { name: /^It is (down|hard|up)/ })
  const going = (async () => {
    // What is asked for as it ends is asked of nobody.
    while ((await Promise.race([ends, askedOf(cab).then(() => technician.helperMay)])) !== 'ended')
      await answers.click({ timeout: 500 }).then(
        () => technician.touched.phone++,
        // Nothing is asked of the cab any more.
        () => undefined,
      )
  })()
  return async () => {
    end()
    await going
  }
}
