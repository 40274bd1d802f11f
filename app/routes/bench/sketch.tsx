/** What each page’s picture looks like, in a few strokes. */
const strokes: Record<string, string> = {
  boiling: 'M12 10 C16 38 30 44 66 50 M12 44 H66',
  'old-fluid': 'M12 10 C30 12 32 46 66 52 M12 46 H66 M40 8 V52',
  'left-right': 'M24 10 V52 M54 10 V26 M54 30 V36 M18 10 H30 M48 10 H60 M18 52 H30',
  temperature: 'M12 50 C36 48 54 34 66 8 M30 8 V52',
  pedal: 'M12 50 C16 24 30 18 66 10 M12 50 L66 36',
  bubbles: 'M12 10 C18 44 36 50 66 52 M48 20 a4 4 0 1 0 .1 0 M56 30 a2 2 0 1 0 .1 0',
  pull: 'M12 40 H30 V16 H48 V46 H66 M48 24 a3 3 0 1 0 .1 0',
  sheet: 'M16 14 H62 M16 26 H50 M16 38 H58 M16 50 H36',
}

export const BenchSketch = ({ id }: { id: string }) => (
  <svg viewBox="0 0 76 62" aria-hidden="true" className="w-24 border-2 border-ink bg-enamel">
    <path d="M8 6 V56 H70" fill="none" strokeWidth="2" className="stroke-quiet" />
    <path d={strokes[id]} fill="none" strokeWidth="3.5" strokeLinecap="round" className="stroke-oxide" />
  </svg>
)
