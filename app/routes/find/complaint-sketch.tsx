import type { Complaint } from '~core/diagnosis/complaints'

/** How a complaint is drawn: a pedal and where it goes, wheels and which of them, a reservoir and how full, a hose. */
type Sketch =
  | { kind: 'pedal'; to: number; way?: 'sponge' | 'sinks' | 'hard' | 'spring' | 'later' | 'hot' | 'clutch' }
  | { kind: 'wheels'; marked: readonly number[]; pulls?: true }
  | { kind: 'level' }
  | { kind: 'hose'; bubbles: boolean }

const sketches: Record<Complaint, Sketch> = {
  'soft-pedal': { kind: 'pedal', to: 24, way: 'sponge' },
  'sinking-pedal': { kind: 'pedal', to: 24, way: 'sinks' },
  'low-pedal': { kind: 'pedal', to: 32 },
  'no-pedal': { kind: 'pedal', to: 42 },
  'hard-pedal': { kind: 'pedal', to: 6, way: 'hard' },
  'springy-middle': { kind: 'pedal', to: 18, way: 'spring' },
  'drag-one': { kind: 'wheels', marked: [1] },
  'drag-all': { kind: 'wheels', marked: [0, 1, 2, 3] },
  'low-level': { kind: 'level' },
  'lost-after-standing': { kind: 'pedal', to: 42, way: 'later' },
  'fades-hot': { kind: 'pedal', to: 36, way: 'hot' },
  'no-clutch': { kind: 'pedal', to: 36, way: 'clutch' },
  'no-flow-one': { kind: 'hose', bubbles: false },
  'air-never-ends': { kind: 'hose', bubbles: true },
  'pulls-to-one-side': { kind: 'wheels', marked: [0], pulls: true },
}

/** A complaint as it is felt or seen; what it is called stands beside it. */
export function ComplaintSketch({ id }: { id: Complaint }) {
  const sketch = sketches[id]
  return (
    <svg viewBox="0 0 72 60" className="h-16 w-20 shrink-0" aria-hidden="true" fill="none" strokeWidth="3">
      {sketch.kind === 'pedal' && <Pedal {...sketch} />}
      {sketch.kind === 'wheels' && <Wheels {...sketch} />}
      {sketch.kind === 'level' && <Level />}
      {sketch.kind === 'hose' && <Hose bubbles={sketch.bubbles} />}
    </svg>
  )
}

const ways: Record<string, string> = {
  sponge: 'M44 40q4-5 8 0t8 0',
  sinks: 'M52 30v20m-5-6 5 6 5-6',
  hard: 'M44 20h18m-18 6h18m-18 6h18',
  spring: 'M46 48l5-5h-5l5-5h-5l5-5h-5l5-5',
  later: 'M54 34a9 9 0 1 0 .1 0m0-7v-4m0 20 5 3',
  hot: 'M48 50q-4-6 0-10t0-10m8 20q-4-6 0-10t0-10',
  clutch: 'M44 40h8m4 0h8m-12-8v16m4-16v16',
}

function Pedal({ to, way }: { to: number; way?: string }) {
  return (
    <>
      <path d="M4 56H70" className="stroke-ink" />
      <path d="M10 6 20 12M14 9l22 4" className="stroke-rule" strokeDasharray="3 4" />
      <path d={`M12 6 30 ${12 + to}`} className="stroke-ink" strokeWidth="4" />
      <path d={`M24 ${14 + to}l14 -4`} className="stroke-oxide" strokeWidth="6" />
      {way && <path d={ways[way]} className="stroke-oxide" />}
    </>
  )
}

const corners = [
  [16, 8],
  [48, 8],
  [16, 38],
  [48, 38],
] as const

function Wheels({ marked, pulls }: { marked: readonly number[]; pulls?: true }) {
  return (
    <>
      <path d="M24 15H48M24 45H48M36 15V45" className="stroke-ink" />
      {corners.map(([x, y], i) => (
        <rect
          key={`${x} ${y}`}
          x={x}
          y={y}
          width="8"
          height="15"
          className={marked.includes(i) ? 'fill-oxide stroke-oxide' : 'fill-sheet stroke-ink'}
        />
      ))}
      {pulls && <path d="M30 8C24 4 14 4 8 10m0-6v6h6" className="stroke-oxide" />}
    </>
  )
}

const Level = () => (
  <>
    <path d="M16 8H56V52H16Z" className="stroke-ink" />
    <path d="M46 18h10M46 38h10" className="stroke-ink" />
    <path d="M18 44H54V50H18Z" className="fill-oxide" />
    <path d="M30 14v18m-5-6 5 6 5-6" className="stroke-oxide" />
  </>
)

const Hose = ({ bubbles }: { bubbles: boolean }) => (
  <>
    <path d="M6 14H34C50 14 52 26 52 48" className="stroke-ink" strokeWidth="12" />
    <path d="M6 14H34C50 14 52 26 52 48" className="stroke-sheet" strokeWidth="7" />
    {bubbles ? (
      <g className="fill-oxide">
        <circle cx="18" cy="14" r="3" />
        <circle cx="32" cy="14" r="2.5" />
        <circle cx="45" cy="20" r="3" />
        <circle cx="52" cy="34" r="2.5" />
      </g>
    ) : (
      <path d="M14 6 26 22M26 6 14 22" className="stroke-oxide" />
    )}
  </>
)
