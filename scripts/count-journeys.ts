import { mkdirSync, writeFileSync } from 'node:fs'
import type { Reporter, TestCase, TestResult } from '@playwright/test/reporter'
import { failedTest } from './failed-test'
import { slowest } from './slowest'

/** Leaves how many journeys passed and failed, and which, for the script that adds them up; names the slowest files. */
export default class CountJourneys implements Reporter {
  private passed = 0
  private readonly failed: string[] = []
  private readonly tookMs = new Map<string, number>()

  onTestEnd({ location: { file, line }, title }: TestCase, { status, duration, error }: TestResult) {
    this.tookMs.set(file, (this.tookMs.get(file) ?? 0) + duration)
    if (status === 'passed') this.passed++
    else this.failed.push(failedTest(file, `${line} ${title}`, error?.message ?? status))
  }

  onEnd() {
    mkdirSync('test-results', { recursive: true })
    writeFileSync('test-results/journeys.counts', `${this.passed} ${this.failed.length}\n`)
    writeFileSync('test-results/journeys.failed', this.failed.join(''))
    console.log(`Slowest files of journeys:\n${slowest(this.tookMs)}`)
  }
}
