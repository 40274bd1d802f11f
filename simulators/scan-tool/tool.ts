import type { ScanAsked, ScanLine, ScanSaid } from '~core/scan-tool/lines'
import { partsOf } from '~core/vehicle/parts'
import { LEAST_VOLTS, refused, type SimulatedUnit } from './unit'

/** What the tool may do wrong. */
export const moods = [
  'sound',
  'silent',
  'nonsense',
  'goes dark half-way',
  'pump runs on',
  'a door opens',
  'says so and works nothing',
] as const
export type Mood = (typeof moods)[number]

/** How long each thing takes to come, s; a pump as its dial says. */
const COMES_S: Record<string, number> = {
  'pressure-falls': 4,
  'valves-quiet': 3,
  'lamp-out': 2,
  'level-at-max': 1,
}
const ACTUATE_S = 2

/** What its screen asks for while it waits. */
const prompts: Record<string, string> = {
  'pump-stops': 'Keep off the switch. The pump runs.',
  'pressure-falls': 'Wait. Pressure falls.',
  'valves-quiet': 'Wait. Valves are worked.',
  'lamp-out': 'Look at the lamp.',
  'level-at-max': 'Look at the reservoir.',
  'tool-says': 'Press OK to go on.',
}

/** Something that runs until it has come, whoever listens. */
type Running = { what: string; leftS: number; ofS: number }

/** A scan tool: what runs on it goes on while its cable is out. */
export class Tool {
  mood: Mood = 'sound'
  /** How long a pump runs, s. */
  pumpS = 6
  screen = 'ready'
  private running?: Running
  /** How the last thing that ran ended, for whoever asks again. */
  private ended?: { what: string; as: ScanLine }
  private heard: (said: ScanLine) => void = () => {}

  constructor(private readonly unit: SimulatedUnit) {}

  /** @param say to the one that is plugged in now; whoever was before hears no more */
  answer(asked: ScanAsked, say: (said: ScanLine) => void): void {
    for (const each of this.atOnce(asked)) if (each.says !== 'fault' && each.says !== 'lost') say(each)
    if (asked.ask === 'hear') this.join(asked.until, say)
    if (this.unit.refuses()) return
    if (asked.ask === 'run') this.begin(asked.until, this.startsRoutine(asked.routine, asked.until), say)
    if (asked.ask === 'actuate') this.begin(asked.what, this.startsActuator(asked.what), say)
  }

  /** What is said without anything running. */
  private atOnce({ ask }: ScanAsked): ScanSaid[] {
    const refuses = ask === 'hear' ? undefined : this.unit.refuses()
    if (refuses) {
      this.screen = 'refused'
      return [refuses]
    }
    switch (ask) {
      case 'read':
        return this.unit.read()
      case 'clear':
        this.unit.clear()
        return [{ says: 'end' }]
      case 'calibrate':
        return [this.unit.calibrate() ?? { says: 'end' }]
      default:
        return []
    }
  }

  /** How long until what is waited for has come, s; or why it does not start. */
  private startsRoutine(routine: string, until: string): number | ScanSaid {
    const offers = this.unit.unit?.routine
    if (offers !== routine) return refused('not-offered', `This vehicle offers ${offers ?? 'no routine'}.`)
    return COMES_S[until] ?? this.pumpS
  }
  private startsActuator(what: string): number | ScanSaid {
    const wheels = partsOf(this.unit.vehicle, 'wheel-brake').map(({ position }) => position as string)
    return what === 'pump' || wheels.includes(what)
      ? ACTUATE_S
      : refused('not-offered', `There is no ${what} here.`)
  }

  private begin(what: string, starts: number | ScanSaid, say: (said: ScanLine) => void): void {
    const { volts } = this.unit.dials
    const refuses =
      typeof starts !== 'number'
        ? starts
        : volts < LEAST_VOLTS
          ? refused('voltage-low', `Battery at ${volts} V, ${LEAST_VOLTS} V wanted.`)
          : this.running && refused('busy', 'Something runs already.')
    if (refuses || typeof starts !== 'number') {
      this.screen = 'refused'
      if (refuses && refuses.says === 'refused') say(refuses)
      return
    }
    this.heard = say
    this.ended = undefined
    this.running = { what, leftS: starts, ofS: starts }
    say({ says: 'runs' })
    const prompt = prompts[what]
    if (prompt !== undefined) say({ says: 'prompt', text: prompt })
  }
  private join(what: string, say: (said: ScanLine) => void): void {
    if (this.running?.what === what) {
      this.heard = say
      say({ says: 'runs' })
    } else
      say(
        this.ended?.what === what && this.ended.as.says === 'came'
          ? this.ended.as
          : refused('nothing-runs', 'It runs nothing.'),
      )
  }
  private end(as: ScanLine): void {
    if (!this.running) return
    this.ended = { what: this.running.what, as }
    this.running = undefined
    this.screen = as.says
    this.heard(as)
  }

  /** Time goes by. @returns false where it went dark, and every cable with it */
  pass(seconds: number): boolean {
    const { running, mood } = this
    if (!running) {
      this.unit.pass(seconds)
      return true
    }
    if (mood === 'says so and works nothing') this.unit.pass(seconds)
    else this.unit.works(seconds)
    running.leftS -= seconds
    this.screen = `runs: ${running.what}, ${Math.max(0, running.leftS).toFixed(0)} s`
    const half = running.leftS < running.ofS / 2
    const { volts } = this.unit.dials
    if (half && mood === 'goes dark half-way') {
      this.running = undefined
      this.screen = 'dark'
      return false
    }
    if (half && mood === 'a door opens')
      this.end({ says: 'broke', why: 'door-opened', text: 'A door was opened.' })
    else if (volts < LEAST_VOLTS - 0.5)
      this.end({ says: 'broke', why: 'battery-low', text: `Battery at ${volts} V.` })
    else if (running.leftS <= 0 && mood !== 'pump runs on') this.end({ says: 'came', what: running.what })
    else this.heard({ says: 'runs' })
    return true
  }
}
