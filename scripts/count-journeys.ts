import { mkdirSync, writeFileSync } from 'node:fs'
import type { Reporter, TestCase, TestResult } from '@playwright/test/reporter'
import { slowest } from './slowest'

/** Leaves how many journeys passed and failed for the script that adds them up, and names the slowest files. */
export default class CountJourneys implements Reporter {
  private passed = 0
  private failed = 0
  private readonly tookMs = new Map<string, number>()

  onTestEnd({ location: { file } }: TestCase, result: TestResult) {
    this.tookMs.set(file, (this.tookMs.get(file) ?? 0) + result.duration)
    if (result.status === 'passed') this.passed++
    else this.failed++
  }

  onEnd() {
    mkdirSync('test-results', { recursive: true })
    writeFileSync('test-results/journeys.counts', `${this.passed} ${this.failed}\n`)
    console.log(`Slowest files of journeys:\n${slowest(this.tookMs)}`)
  }
}
