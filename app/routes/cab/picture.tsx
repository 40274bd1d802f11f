import type { CabView } from '~core/cab/view'

/** Where the foot stands on the pedal for each word; the arrow says which way it goes. */
const poses: Record<CabView['says'], { down: number; move?: 'down' | 'up' | 'both'; foot: boolean }> = {
  wait: { down: 0, foot: true },
  do: { down: 0, foot: true },
  press: { down: 0.5, move: 'down', foot: true },
  pump: { down: 0.5, move: 'both', foot: true },
  hold: { down: 1, foot: true },
  release: { down: 0.5, move: 'up', foot: true },
  'stay-off': { down: 0, foot: false },
  away: { down: 0, foot: false },
  parked: { down: 0, foot: false },
  ended: { down: 0, foot: false },
}

/** Which way it goes; both ways for a foot that pumps. */
const arrows = {
  down: 'M180 34V88M166 74L180 88L194 74',
  up: 'M180 88V34M166 48L180 34L194 48',
  both: 'M180 30V92M166 78L180 92L194 78M166 44L180 30L194 44',
}

type PictureProps = {
  says: CabView['says']
  pedal: CabView['pedal']
  /** There is more than one pedal, so the picture says which. */
  namesPedal: boolean
  task?: CabView['task']
}

/** A foot on a pedal seen from the side, or a hand on a lever, where the word says it should be. */
export function CabPicture({ says, pedal, namesPedal, task }: PictureProps) {
  const { down, move, foot } = poses[says]
  const saysWhich = namesPedal && (pedal === 'brake' || pedal === 'clutch')
  return (
    <svg
      // The pads stand beside the leg, never over it.
      viewBox={saysWhich ? '-72 0 272 120' : '0 0 200 120'}
      className="h-40 w-full max-w-sm"
      aria-hidden="true"
      fill="none"
      stroke="currentColor"
      strokeWidth="6"
      strokeLinecap="round"
      strokeLinejoin="round"
    >
      {task === 'lever-released' ? (
        <ParkingLever />
      ) : pedal === 'lever' ? (
        <Lever down={down} hand={foot} />
      ) : pedal === 'foot-lever' ? (
        <FootLever down={down} foot={foot} />
      ) : (
        <Pedal down={down} foot={foot} />
      )}
      {saysWhich && <WhichPedal clutch={pedal === 'clutch'} />}
      {move && (
        <path className={move === 'up' ? 'cab-move-up' : 'cab-move-down'} d={arrows[move]} strokeWidth="9" />
      )}
      {says === 'hold' && <path d="M172 40V84M188 40V84" strokeWidth="9" />}
      {(says === 'stay-off' || says === 'parked') && (
        <path d="M166 44L194 80M194 44L166 80" strokeWidth="9" />
      )}
    </svg>
  )
}

/** Seen from the side: the pedal hangs from the bulkhead and swings towards it under the shoe. */
function Pedal({ down, foot }: { down: number; foot: boolean }) {
  return (
    <>
      <path d="M146 6V112M146 22L156 12M146 46L156 36M146 70L156 60M146 94L156 84" strokeWidth="4" />
      <path d="M146 16H118" />
      <path d="M8 114H146" strokeWidth="4" />
      <g
        className="cab-part"
        style={{ transform: `rotate(${-20 * down}deg)`, transformOrigin: '118px 16px' }}
      >
        <path d="M118 16L98 80" />
        <path d="M90 66L100 92" strokeWidth="11" />
      </g>
      {foot && (
        <g className="cab-part" style={{ transform: `translateX(${24 * down}px)` }}>
          <path d="M18 14L22 62Q20 78 26 92H84Q92 92 90 82Q88 74 76 70Q60 66 52 56L46 14" strokeWidth="5" />
          <path d="M24 98H88" strokeWidth="7" />
        </g>
      )}
    </>
  )
}

/** Clutch, brake and throttle as the driver looks down on them; the one that is meant is filled. */
function WhichPedal({ clutch }: { clutch: boolean }) {
  return (
    <g strokeWidth="3" transform="translate(-70 40)">
      <rect x="2" y="2" width="16" height="22" rx="2" fill={clutch ? 'currentColor' : 'none'} />
      <rect x="24" y="2" width="20" height="22" rx="2" fill={clutch ? 'none' : 'currentColor'} />
      <rect x="50" y="2" width="9" height="30" rx="2" />
    </g>
  )
}

/** Beside the peg, under the toe of the boot that stands on it. */
function FootLever({ down, foot }: { down: number; foot: boolean }) {
  return (
    <>
      <circle cx="58" cy="92" r="9" fill="currentColor" />
      <g className="cab-part" style={{ transform: `rotate(${14 * down}deg)`, transformOrigin: '58px 104px' }}>
        <path d="M58 104H128Q140 104 144 92" strokeWidth="9" />
      </g>
      {foot && (
        <g
          className="cab-part"
          style={{ transform: `rotate(${10 * down}deg)`, transformOrigin: '58px 84px' }}
        >
          <path
            d="M34 8L40 54Q38 68 42 78H128Q140 78 136 66Q130 56 112 54Q88 50 76 40L70 8"
            strokeWidth="5"
          />
          <path d="M42 84H132" strokeWidth="7" />
        </g>
      )}
    </>
  )
}

/** Laid flat on its quadrant, and the arrow that says so. */
function ParkingLever() {
  return (
    <>
      <path d="M30 104H170" strokeWidth="4" />
      <path d="M52 92L146 82" strokeWidth="11" />
      <circle cx="50" cy="92" r="8" fill="currentColor" />
      <path d="M120 24V62M106 48L120 62L134 48" strokeWidth="9" />
    </>
  )
}

/** The lever is drawn towards the bar. */
function Lever({ down, hand }: { down: number; hand: boolean }) {
  return (
    <>
      <path d="M14 86H136" strokeWidth="14" />
      <g className="cab-part" style={{ transform: `rotate(${16 * down}deg)`, transformOrigin: '26px 62px' }}>
        <path d="M26 62Q70 40 132 46" strokeWidth="9" />
        {hand && <path d="M70 44V78M86 42V78M102 42V78" strokeWidth="8" />}
      </g>
      <circle cx="26" cy="64" r="6" fill="currentColor" />
    </>
  )
}
