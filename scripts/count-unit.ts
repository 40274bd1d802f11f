import { mkdirSync, writeFileSync } from 'node:fs'
import type { Reporter, TestModule } from 'vitest/node'
import { slowest } from './slowest'

/** Leaves how many unit tests passed and failed for the script that adds them up, and names the slowest files. */
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
    const took = modules.map((module) => [module.moduleId, module.diagnostic().duration] as const)
    console.log(`Slowest files of unit tests:\n${slowest(new Map(took))}`)
  }
}
