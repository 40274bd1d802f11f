import { mkdirSync, writeFileSync } from 'node:fs'
import type { FullConfig, Reporter, Suite } from '@playwright/test/reporter'

/** Leaves how many journeys passed and failed for the script that adds them up, and names those that needed a second try. */
export default class CountJourneys implements Reporter {
  private suite?: Suite

  onBegin(_config: FullConfig, suite: Suite) {
    this.suite = suite
  }

  onEnd() {
    const all = this.suite?.allTests() ?? []
    const failed = all.filter((test) => test.outcome() === 'unexpected').length
    const twice = all.filter((test) => test.outcome() === 'flaky')
    for (const test of twice) console.log(`Passed at the second try only, so something races: ${test.title}`)
    const passed = all.filter((test) => test.outcome() === 'expected').length + twice.length
    mkdirSync('test-results', { recursive: true })
    writeFileSync('test-results/journeys.counts', `${passed} ${failed}\n`)
  }
}
