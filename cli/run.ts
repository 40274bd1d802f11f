import { RELEASE } from '~/lib/release'
import { type Fault, faultLine, ImpossibleInput } from '~core/base/fault'
import { calculators } from '~core/calculators/command'
import { diagnose } from '~core/diagnosis/diagnose'
import { readDiagnoseRequest } from '~core/diagnosis/request'
import { planOnRig } from '~core/plan/on-rig'
import { makePlan } from '~core/plan/plan'
import { readPlanRequest } from '~core/plan/request'
import { runRig } from '~core/rig/answer'
import { readRigRequest } from '~core/rig/request'
import { worded } from '~core/words'
import { USAGE } from './usage'

/** What a run of the command leaves behind. */
export type Outcome = { exitCode: 0 | 1 | 2; stdout: string; stderr: string }

const names = calculators.map((each) => each.name).join(', ')
const refused = (faults: readonly Fault[]): Outcome => ({
  exitCode: 2,
  stdout: '',
  stderr: faults.map((fault) => `${faultLine(fault)}\n`).join(''),
})
const answered = (value: unknown): Outcome => ({
  exitCode: 0,
  stdout: `${JSON.stringify(value, null, 2)}\n`,
  stderr: '',
})

/**
 * The `siphon` command without its process: parse, call core, print.
 *
 * @param read gives the text of a file, or of standard input where no file is named
 * @returns exit 0 with the answer, 2 with one line per fault, 1 for a fault of our own
 */
export function run(argv: readonly string[], read: (file?: string) => string): Outcome {
  const [command, ...rest] = argv
  if (command === 'help' || command === '--help') return { exitCode: 0, stdout: USAGE, stderr: '' }
  if (command === '--version') return { exitCode: 0, stdout: `${RELEASE}\n`, stderr: '' }
  if (command === 'plan') return answer(rest[0], read, plan)
  if (command === 'rig') return answer(rest[0], read, rig)
  if (command === 'diagnose') return answer(rest[0], read, found)
  if (command === 'calc') {
    const calculator = calculators.find((each) => each.name === rest[0])
    if (!calculator)
      return refused([
        { path: 'calc', message: `there is no calculator "${rest[0] ?? ''}"; give one of: ${names}` },
      ])
    return answer(rest[1], read, (input) => {
      const result = calculator.run(input)
      return result.ok ? { ok: true, value: worded(result.value) } : result
    })
  }
  return { exitCode: 2, stdout: '', stderr: USAGE }
}

type Answer = { ok: true; value: unknown } | { ok: false; faults: Fault[] }

function plan(input: unknown): Answer {
  const request = readPlanRequest(input)
  if (!request.ok) return request
  const made = makePlan(request.value)
  const asked = (input as { onRig?: boolean }).onRig === true
  const rig = asked ? planOnRig(request.value, made) : undefined
  return { ok: true, value: worded({ ...made, ...(rig && { rig }) }) }
}

function rig(input: unknown): Answer {
  const request = readRigRequest(input)
  return request.ok ? { ok: true, value: runRig(request.value) } : request
}

function found(input: unknown): Answer {
  const request = readDiagnoseRequest(input)
  return request.ok ? { ok: true, value: worded(diagnose(request.value)) } : request
}

function answer(
  file: string | undefined,
  read: (file?: string) => string,
  compute: (input: unknown) => Answer,
): Outcome {
  let text: string
  try {
    text = read(file)
  } catch {
    return refused([
      {
        path: '',
        message: file ? `cannot read ${file}; give a file that exists` : 'cannot read standard input',
      },
    ])
  }
  let input: unknown
  try {
    input = JSON.parse(text)
  } catch {
    return refused([{ path: '', message: 'this is not JSON; give one JSON object' }])
  }
  try {
    const result = compute(input)
    return result.ok ? answered(result.value) : refused(result.faults)
  } catch (error) {
    if (error instanceof ImpossibleInput) return refused([{ path: error.path, message: error.message }])
    return {
      exitCode: 1,
      stdout: '',
      stderr: `internal fault: ${error instanceof Error ? error.message : 'unknown'}\n`,
    }
  }
}
