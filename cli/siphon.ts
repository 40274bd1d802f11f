import { readFileSync } from 'node:fs'
import { run } from './run'

const { exitCode, stdout, stderr } = run(process.argv.slice(2), (file) => readFileSync(file ?? 0, 'utf8'))
process.stdout.write(stdout)
process.stderr.write(stderr)
process.exitCode = exitCode
