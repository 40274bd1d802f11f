import { mkdirSync, writeFileSync } from 'node:fs'
import type { Reporter, TestCase, TestResult } from '@playwright/test/reporter'

/** Leaves how many journeys passed and failed for the script that adds them up. */
export default class CountJourneys implements Reporter {
  private passed = 0
  private failed = 0

  onTestEnd(_test: TestCase, result: TestResult) {
    if (result.status === 'passed') this.passed++
    else this.failed++
  }

  onEnd() {
    mkdirSync('test-results', { recursive: true })
    writeFileSync('test-results/journeys.counts', `${this.passed} ${this.failed}\n`)
  }
}
