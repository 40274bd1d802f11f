import { mkdirSync, writeFileSync } from 'node:fs'
import type { Reporter, TestModule } from 'vitest/node'

/** Leaves how many unit tests passed and failed for the script that adds them up. */
export default class CountUnit implements Reporter {
  onTestRunEnd(modules: readonly TestModule[]) {
    const tests = modules.flatMap((module) => [...module.children.allTests()])
    const broken = modules.filter((module) => module.errors().length > 0).length
    const failed = broken + tests.filter((test) => test.result().state === 'failed').length
    mkdirSync('test-results', { recursive: true })
    writeFileSync(
      'test-results/unit.counts',
      `${tests.filter((test) => test.result().state === 'passed').length} ${failed}\n`,
    )
  }
}
