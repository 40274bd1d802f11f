import { readFileSync } from 'node:fs'
import { run } from './run'
import { keptUsage } from './usage'

const [command = '', ...words] = process.argv.slice(2)
// Only these have to do with a database: the others start without it.
const { exitCode, stdout, stderr } =
  command in keptUsage
    ? await import('./kept').then(({ runKept }) => runKept(command, words))
    : run(process.argv.slice(2), (file) => readFileSync(file ?? 0, 'utf8'))
process.stdout.write(stdout)
process.stderr.write(stderr)
process.exitCode = exitCode
