import type { ReactNode } from 'react'

/** Ink for what is there, oxide for what is done. */
const there = 'stroke-ink'
const doing = 'stroke-oxide'

const Pedal = ({ to = 22 }: { to?: number }) => (
  <>
    <path d="M8 80H92" className={there} />
    <path d={`M16 10 42 ${20 + to}`} className={there} strokeWidth="5" />
    <path d={`M34 ${24 + to}l18 -5`} className={there} strokeWidth="8" />
  </>
)
const Clock = ({ x, y }: { x: number; y: number }) => (
  <g className={doing} transform={`translate(${x} ${y})`}>
    <circle r="13" />
    <path d="M0 -8V0l6 4M0 -13v-5" />
  </g>
)
const Wheel = () => (
  <>
    <circle cx="38" cy="46" r="30" className={there} />
    <circle cx="38" cy="46" r="12" className={there} />
  </>
)
const Spanner = ({ x, y }: { x: number; y: number }) => (
  <path d={`M${x} ${y}l22 -22m-3 -7a9 9 0 1 1 10 10`} className={doing} strokeWidth="5" />
)
const Reservoir = () => (
  <>
    <path d="M24 14H76V74H24Z" className={there} />
    <path d="M62 28H76M62 58H76" className={there} />
    <path d="M26 46H74" className={doing} strokeDasharray="6 5" />
  </>
)
const Cylinder = () => (
  <>
    <path d="M20 34H84V62H20Z" className={there} />
    <path d="M36 34V22M66 34V22" className={there} strokeWidth="6" />
    <path d="M4 48H20M46 36V60" className={there} strokeWidth="5" />
  </>
)
const Hose = () => (
  <>
    <path d="M6 26H50C72 26 78 44 78 84" className={there} strokeWidth="18" />
    <path d="M4 26H50C72 26 78 44 78 88" className="stroke-sheet" strokeWidth="11" />
  </>
)

/** What is done in each look, so that it can be told from across the bay; what to do stands beside it in words. */
const sketches: Record<string, ReactNode> = {
  level: <Reservoir />,
  'level-lamp': (
    <>
      <Reservoir />
      <circle cx="88" cy="16" r="8" className={doing} />
    </>
  ),
  'wet-places': (
    <>
      <Wheel />
      <path d="M76 26q12 18 0 26q-12 -8 0 -26Z" className="fill-oxide" />
      <path d="M60 84H94" className={doing} />
    </>
  ),
  'pump-up': (
    <>
      <Pedal />
      <path d="M66 22v44m-6-8 6 8 6-8M80 66V22m-6 8 6-8 6 8" className={doing} />
    </>
  ),
  'hold-light': (
    <>
      <Pedal to={12} />
      <Clock x={74} y={42} />
    </>
  ),
  'hold-firm': (
    <>
      <Pedal to={26} />
      <Clock x={76} y={42} />
    </>
  ),
  stood: (
    <>
      <Pedal to={4} />
      <path d="M86 30a18 18 0 1 1 -20 -18a14 14 0 0 0 20 18Z" className={doing} />
    </>
  ),
  'three-efforts': (
    <>
      <path d="M14 10V80H92" className={there} />
      <path d="M14 80C20 40 50 26 90 22" className={doing} />
      <path d="M14 80 90 40" className={doing} strokeDasharray="5 5" />
    </>
  ),
  'ports-plugged': (
    <>
      <Cylinder />
      <path d="M30 14H42M60 14H72" className={doing} strokeWidth="9" />
    </>
  ),
  thumb: (
    <>
      <Cylinder />
      <path d="M66 4c12 0 14 8 12 16h-24c-2-8 0-16 12-16Z" className="fill-oxide" />
    </>
  ),
  bore: (
    <>
      <Cylinder />
      <path d="M30 70V78H78V70M54 66V84" className={doing} />
    </>
  ),
  pushrod: (
    <>
      <Cylinder />
      <path d="M6 62v14m14-14v14M2 70h22" className={doing} />
    </>
  ),
  'loosen-cylinder': (
    <>
      <Cylinder />
      <Spanner x={6} y={84} />
    </>
  ),
  'crack-port': (
    <>
      <Cylinder />
      <Spanner x={40} y={26} />
    </>
  ),
  'crack-bleeder': (
    <>
      <Wheel />
      <Spanner x={58} y={40} />
    </>
  ),
  'bleeder-out': (
    <>
      <Wheel />
      <path d="M72 30l18-18M84 6l12 12M72 46q10 14 0 20q-8-6 0-20Z" className={doing} />
    </>
  ),
  'joint-cracked': (
    <>
      <path d="M6 40H44M56 40H94" className={there} strokeWidth="8" />
      <path d="M44 30H56V50H44Z" className={there} />
      <Spanner x={44} y={34} />
    </>
  ),
  return: (
    <>
      <Wheel />
      <path d="M74 24a34 34 0 0 1 0 44m8-8-8 8-10-4" className={doing} />
    </>
  ),
  heat: (
    <>
      <Wheel />
      <path d="M78 70q-8-10 0-20t0-20m12 40q-8-10 0-20t0-20" className={doing} />
    </>
  ),
  adjusted: (
    <>
      <circle cx="46" cy="46" r="34" className={there} />
      <path d="M26 24a30 30 0 0 0 0 44M66 24a30 30 0 0 1 0 44" className={doing} strokeWidth="6" />
    </>
  ),
  'wear-sum': (
    <>
      <path d="M50 8V84" className={there} strokeWidth="8" />
      <path d="M36 20V72M64 20V72" className={doing} strokeWidth="8" />
      <path d="M4 46H30M70 46H96" className={there} strokeWidth="12" />
    </>
  ),
  'high-point': (
    <>
      <path d="M20 30q30 -24 60 0V76H20Z" className={there} />
      <path d="M50 18V4M42 10l8-8 8 8" className={doing} />
    </>
  ),
  flow: (
    <>
      <path d="M14 30V82H34V30M42 30V82H62V30M70 30V82H90V30" className={there} />
      <path d="M16 52H32M44 52H60M72 74H88" className={doing} strokeWidth="5" />
    </>
  ),
  bubbles: (
    <>
      <Hose />
      <g className="fill-oxide">
        <circle cx="22" cy="26" r="5" />
        <circle cx="44" cy="26" r="4" />
        <circle cx="70" cy="40" r="5" />
        <circle cx="78" cy="64" r="4" />
      </g>
    </>
  ),
  'vacuum-closed': (
    <>
      <Hose />
      <path d="M20 8V44M8 26H34" className={doing} transform="rotate(45 20 26)" />
    </>
  ),
  'hose-clamped': (
    <>
      <Hose />
      <path d="M34 6V46M26 6H42M26 46H42" className={doing} strokeWidth="6" />
    </>
  ),
  'unit-cycled': (
    <>
      <path d="M26 24H74V72H26Z" className={there} />
      <path d="M38 48a12 12 0 1 1 4 9m-6 3 6-3 3 6" className={doing} />
    </>
  ),
  boiling: (
    <>
      <path d="M30 30V78H70V30" className={there} />
      <path d="M38 22q-6-8 0-16m12 16q-6-8 0-16m12 16q-6-8 0-16" className={doing} />
    </>
  ),
  'bled-again': (
    <>
      <Wheel />
      <path d="M66 34h20v44" className={doing} strokeWidth="6" />
    </>
  ),
  'engine-started': (
    <>
      <Pedal to={10} />
      <path d="M72 30v30m-7-9 7 9 7-9" className={doing} />
    </>
  ),
}

export function CheckSketch({ id }: { id: string }) {
  const drawn = sketches[id]
  if (!drawn) return null
  return (
    <svg viewBox="0 0 100 90" className="h-28 w-32 shrink-0" aria-hidden="true" fill="none" strokeWidth="4">
      {drawn}
    </svg>
  )
}
