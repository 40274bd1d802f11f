import { useAnnounce } from '~/client/heard/announce'
import type { FloorAct } from '~/client/job/use-job-run'
import { upperFirst } from '~/lib/format'
import { useSay } from '~/lib/say'
import { Notice } from '~/ui/notice'
import type { Step } from '~core/technique/step'
import { GoOn } from './big-line'
import { Bar, clock, useSecondsSince } from './hold-clock'
import { ToolRuns } from './tool-runs'

type Props = {
  step: Step
  startedAt?: string
  onStart: () => void
  /** @param tookS by this screen’s clock; undefined where nobody timed it */
  onCame: (tookS?: number) => void
  /** The routine that the shop’s tool may be asked to go on with; none where nothing is to be asked. */
  routine?: string
  act: (act: FloorAct) => void
}

/**
 * What a routine waits for: begun by a tap, done when somebody saw it come. Before it can have come there is nothing to
 * tap; once it takes longer than it should, the screen says so and calls out.
 */
export function AwaitClock({ step, startedAt, onStart, onCame, routine, act }: Props) {
  const { awaits, leastS = 0, mostS } = step
  const seconds = useSecondsSince(startedAt)
  const say = useSay()
  const came = awaits === undefined ? 'Done' : upperFirst(say({ code: `came-${awaits}` }))
  const timed = leastS > 0 || mostS !== undefined
  const tooLong = startedAt !== undefined && mostS !== undefined && seconds > mostS
  const says = `This takes longer than it should: over ${clock(mostS ?? 0)}. Say what went wrong.`
  useAnnounce({
    channel: 'clock',
    says: tooLong ? says : '',
    about: tooLong ? `${says} ${startedAt}` : '',
    signal: 'warn',
    vibrates: true,
  })
  const started = startedAt !== undefined
  const left = Math.ceil(leastS - seconds)
  return (
    <div className="grid gap-3">
      {/* It stays where it is while the clock comes up: it must go on hearing the tool. */}
      {routine !== undefined && awaits !== undefined && (
        <ToolRuns
          asked={{ ask: 'run', routine, until: awaits }}
          label="Let the tool run it"
          onRuns={onStart}
          onDone={onCame}
          act={act}
        />
      )}
      {timed && started && (
        <div className="grid gap-1" role="timer">
          <p className="text-3xl font-extrabold">
            {clock(seconds)}{' '}
            {mostS !== undefined && (
              <span className="text-xl font-semibold text-quiet">of at most {clock(mostS)}</span>
            )}
          </p>
          <Bar share={seconds / (mostS ?? leastS)} />
        </div>
      )}
      {tooLong && (
        <Notice role="alert" kind="stop" className="text-2xl font-extrabold">
          {says}
        </Notice>
      )}
      {timed && !started ? (
        <GoOn onClick={onStart}>It runs: start the clock</GoOn>
      ) : (
        <GoOn onClick={() => onCame(timed ? seconds : undefined)} disabled={left > 0}>
          {left > 0 ? `${came}: not before ${left} s` : came}
        </GoOn>
      )}
    </div>
  )
}
