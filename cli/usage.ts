import { calculators } from '~core/calculators/command'

/** How each command is called, and what it does; the second half have to do with what is kept. */
export const computeUsage: Record<string, string> = {
  plan: 'plan [FILE]                    plan a bleed from a plan request',
  calc: `calc NAME [FILE]               one of: ${calculators.map(({ name }) => name).join(', ')}`,
  rig: 'rig [FILE]                     run a simulated vehicle from a rig request',
  diagnose: 'diagnose [FILE]                what is wrong, and what to try next',
}
export const keptUsage: Record<string, string> = {
  backup:
    'backup FILE                    everything of the data folder into one file, also beside a running server',
  restore:
    'restore FILE [FOLDER]          a data folder from a backup; one that stands is never written over',
  export:
    'export FILE [--job ID | --person NAME | --logbook]   everything as open JSON lines, or a part of it',
  import: 'import FILE                    a new data folder from an export of everything',
  verify:
    'verify FILE [--key FINGERPRINT]   check an exported record, logbook or everything; no data folder needed',
  'reset-pin': 'reset-pin NAME PIN             another PIN for somebody',
}
const lines = (usage: Record<string, string>) =>
  Object.values(usage)
    .map((line) => `siphon ${line}\n`)
    .join('')

export const USAGE = `${lines(computeUsage)}The commands above read JSON from FILE or standard input, and print JSON.
${lines(keptUsage)}These use the data folder that SIPHON_DATA names (data where it names none).
siphon --version
`
