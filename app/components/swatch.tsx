import type { Bubbles, Colour } from '~core/fluid/specs/colour'

/** Fluid colours are content: they appear here and nowhere else. */
export const fluidPaints: Record<Colour, string> = {
  new: '#f3e3a8',
  amber: '#d99a2b',
  brown: '#8a5420',
  dark: '#4c2c14',
  black: '#15110e',
  green: '#6f8f3a',
  purple: '#7b3f8c',
  cloudy: '#d8d2c0',
  gritty: '#8a5420',
}

/** A glass of fluid of one colour. */
export function Swatch({ colour }: { colour: Colour }) {
  return (
    <svg viewBox="0 0 28 32" className="h-8 w-7 flex-none" aria-hidden="true">
      <path d="M4 2 L6 30 H22 L24 2 Z" fill={fluidPaints[colour]} className="stroke-ink" strokeWidth="2.4" />
      {colour === 'cloudy' && <path d="M8 12h6M13 18h7M8 24h7" className="stroke-ink" strokeWidth="1.6" />}
      {colour === 'gritty' && (
        <path d="M9 24h1M13 26h1M17 23h1M19 27h1M11 20h1M16 27h1" className="stroke-ink" strokeWidth="2.6" />
      )}
      {colour === 'purple' && (
        <path d="M6 12H22" className="stroke-ink" strokeWidth="1.6" strokeDasharray="3 2" />
      )}
    </svg>
  )
}

const bubbleCircles: Record<Bubbles, [number, number, number][]> = {
  none: [],
  froth: [18, 24, 30, 36, 42, 48, 54, 60, 66, 72, 78].flatMap((x, i): [number, number, number][] => [
    [x, 13 + (i % 3) * 3, 1.6],
    [x + 3, 24 - (i % 2) * 3, 1.8],
  ]),
  string: [
    [20, 18, 4],
    [36, 18, 3.4],
    [52, 18, 4.2],
    [68, 18, 3.6],
  ],
  slug: [],
}

/** A length of clear hose with what goes by in it. */
export function HosePicture({ bubbles }: { bubbles: Bubbles }) {
  return (
    <svg viewBox="0 0 96 36" className="h-9 w-24 flex-none" aria-hidden="true">
      <rect x="2" y="6" width="92" height="24" fill={fluidPaints.amber} opacity="0.55" />
      {bubbles === 'slug' && (
        <rect
          x="30"
          y="8"
          width="34"
          height="20"
          rx="10"
          className="fill-enamel stroke-ink"
          strokeWidth="2"
        />
      )}
      {bubbleCircles[bubbles].map(([cx, cy, r]) => (
        <circle
          key={`${cx} ${cy}`}
          cx={cx}
          cy={cy}
          r={r}
          className="fill-enamel stroke-ink"
          strokeWidth="1.4"
        />
      ))}
      <path d="M2 6H94M2 30H94" className="stroke-ink" strokeWidth="3" />
    </svg>
  )
}
