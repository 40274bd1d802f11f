import type { FloorAct } from '~/client/job/use-job-run'
import { Button } from '~/ui/button'
import { callOf, currentStage } from '~core/job/points'
import { allOpen } from '~core/job/standing'
import type { JobState, Undoable } from '~core/job/state'
import { BayDialog } from './bay-dialog'
import { HoldButton } from './hold-button'

const names: Record<Undoable['type'], string> = {
  'plate-confirmed': 'plate compared',
  'step-done': 'step done',
  'timer-started': 'clock started',
  'point-ready': 'hose on',
  call: 'last call',
  'pull-seen': 'what the pull brought',
  'flow-looked': 'where it stops',
  'bottle-emptied': 'bottle emptied',
  'bottle-hung': 'bottle hung',
  'bottle-watched': 'bottle looked at',
  'bottle-weighed': 'weighing',
  'point-finished': 'bleeder done',
  'topped-up': 'top-up',
  'level-read': 'level',
  'drawn-again': 'drawing again',
  'put-away': 'taking away',
  'joint-shut': 'shutting',
  'joint-checked': 'joint',
  'taken-off': 'taking off',
  'put-back': 'putting back',
  'tank-read': 'tank',
  'unit-read': 'what the unit said',
  'unit-fitted': 'unit’s numbers',
  'container-opened': 'container',
  trouble: 'what went wrong',
  'way-changed': 'another way',
  parked: 'parking',
  resumed: 'taking up again',
  'check-proved': 'last check',
  'place-looked': 'one place',
  undone: 'undo',
  'bleed-again': 'bleeding again',
}

/** Takes the last act back, and says which one that is. */
export function UndoButton({ state, act }: { state: JobState; act: (act: FloorAct) => void }) {
  const last = state.undoable.at(-1)
  if (!last) return null
  const takeBack = () => act({ type: 'undone', event: last.eventId })
  const before = last.before.run
  const stood = last.before.standing ?? state.standing
  const open = allOpen(state)
  const wasOpen = allOpen({ run: before ?? state.run, standing: stood })
  const shuts = open.find((point) => !wasOpen.includes(point))
  const opens = wasOpen.find((point) => !open.includes(point))
  const stageRun = state.run && currentStage(state.run)
  const withCab = stageRun !== undefined && callOf(stageRun.stage).withCab
  const label = `Undo: ${names[last.type]}`
  // Taking back "it is open" records the joint as closed: that is said by an act of its own, as any closing is.
  if (shuts !== undefined)
    return (
      <BayDialog
        trigger={label}
        title="It was never opened?"
        caution={`Taking this back records ${shuts} as closed. Look at it first; if it was open at all, close it in the call instead.`}
      >
        {(close) => (
          <HoldButton
            label={`${shuts} was never opened`}
            letter={false}
            onHeld={() => {
              close()
              takeBack()
            }}
          />
        )}
      </BayDialog>
    )
  // Taking back "it is closed" says that it stands open, and the cab has been told to let go.
  if (opens !== undefined)
    return (
      <BayDialog
        trigger={label}
        title="It was not closed?"
        caution={
          withCab
            ? 'The cab has been told RELEASE. If the pedal came up meanwhile, close the bleeder first, then take this back and say that the foot slipped.'
            : `This records ${opens} as open. Look at it: is its hose on, and the end under fluid?`
        }
      >
        {(close) => (
          <Button
            size="glove"
            onClick={() => {
              close()
              takeBack()
            }}
          >
            {withCab ? 'It stands open, and the pedal is still down' : 'It stands open'}
          </Button>
        )}
      </BayDialog>
    )
  return (
    <Button size="glove" onClick={takeBack}>
      {label}
    </Button>
  )
}
