import { mkdirSync, writeFileSync } from 'node:fs'
import type { Reporter, TestModule } from 'vitest/node'
import { failedTest } from './failed-test'
import { slowest } from './slowest'

/** Leaves how many unit tests passed and failed, and which, for the script that adds them up; names the slowest files. */
export default class CountUnit implements Reporter {
  onTestRunEnd(modules: readonly TestModule[], unhandled: readonly { message: string }[]) {
    const tests = modules.flatMap((module) => [...module.children.allTests()])
    const failed = [
      ...unhandled.map(({ message }) => failedTest('unit tests', 'an error that nobody caught', message)),
      ...modules.flatMap((module) =>
        module
          .errors()
          .slice(0, 1)
          .map((error) => failedTest(module.moduleId, 'the file itself', error.message)),
      ),
      ...tests
        .filter((test) => test.result().state === 'failed')
        .map((test) =>
          failedTest(test.module.moduleId, test.fullName, test.result().errors?.[0]?.message ?? 'failed'),
        ),
    ]
    mkdirSync('test-results', { recursive: true })
    writeFileSync(
      'test-results/unit.counts',
      `${tests.filter((test) => test.result().state === 'passed').length} ${failed.length}\n`,
    )
    writeFileSync('test-results/unit.failed', failed.join(''))
    const took = modules.map((module) => [module.moduleId, module.diagnostic().duration] as const)
    console.log(`Slowest files of unit tests:\n${slowest(new Map(took))}`)
  }
}
