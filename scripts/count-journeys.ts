import { mkdirSync, writeFileSync } from 'node:fs'
import type { Reporter, TestCase, TestResult } from '@playwright/test/reporter'
import { failedTest } from './failed-test'
import { slowest } from './slowest'

/**
 * Leaves how many journeys passed and failed, and which, for the script that adds them up; names the slowest files. One
 * that passed only when it was tried again passed, and is named with what it said the first time.
 */
export default class CountJourneys implements Reporter {
  private readonly tried = new Map<TestCase, string>()
  private readonly tookMs = new Map<string, number>()

  onTestEnd(test: TestCase, { status, duration, error }: TestResult) {
    const { file, line } = test.location
    this.tookMs.set(file, (this.tookMs.get(file) ?? 0) + duration)
    // What it said at first is what there is to look for.
    if (this.tried.get(test)) return
    const said = error?.message ?? status
    this.tried.set(test, status === 'passed' ? '' : failedTest(file, `${line} ${test.title}`, said))
  }

  onEnd() {
    const tests = [...this.tried.keys()]
    const which = (passed: boolean) => tests.filter((test) => test.ok() === passed)
    const saying = (of: TestCase[]) => of.map((test) => this.tried.get(test)).join('')
    mkdirSync('test-results', { recursive: true })
    writeFileSync('test-results/journeys.counts', `${which(true).length} ${which(false).length}\n`)
    writeFileSync('test-results/journeys.failed', saying(which(false)))
    writeFileSync('test-results/journeys.again', saying(which(true)))
    console.log(`Slowest files of journeys:\n${slowest(this.tookMs)}`)
  }
}
