const brake = (id: string, position: string, bleeder: string) => ({
  id,
  type: 'wheel-brake',
  position,
  brake: 'disc',
  pistons: [{ diameterMm: 38, count: 1 }],
  padWearMm: 1,
  deadMl: 0,
  bleeders: [{ id: bleeder, wrenchMm: 10, torqueNm: 10 }],
})
const pipe = (from: string, to: string, lengthM: number) => ({
  from,
  to,
  circuit: 'A',
  segments: [{ lengthM, boreMm: 3.34, kind: 'tube' }],
})

/**
 * A small vehicle that the project does not ship: two rear brakes that hold little and a reservoir that may be drawn
 * empty, so that a whole bleed stays short.
 */
export const harbourTug = {
  format: 'ruddy-siphon.vehicle',
  version: 1,
  name: 'Harbour tug cart',
  kind: 'car',
  fluid: { spec: 'DOT 4' },
  parts: [
    { id: 'res', type: 'reservoir', maxMl: 300, minMl: 150, portsCoveredMl: 0, capSeal: 'sound' },
    {
      id: 'mc',
      type: 'master-cylinder',
      fedBy: 'res',
      pedalRatio: 4,
      actuator: 'pedal',
      bleeders: [],
      chambers: [{ id: 'mc1', boreMm: 30, strokeMm: 20 }],
    },
    brake('right brake', 'rear-right', 'rr'),
    brake('left brake', 'rear-left', 'rl'),
  ],
  lines: [pipe('mc1', 'right brake', 1.5), pipe('mc1', 'left brake', 1.2)],
}

/** Three ways a file goes wrong, each with what the page must say. */
export const brokenFiles = [
  { name: 'not-json.json', text: '{ "format": ', says: 'this is not JSON' },
  {
    name: 'bad-shape.json',
    text: JSON.stringify({ ...harbourTug, fluid: { spec: 'water' } }),
    says: 'fluid.spec: give one of',
  },
  {
    name: 'no-line.json',
    text: JSON.stringify({ ...harbourTug, lines: harbourTug.lines.slice(0, 1) }),
    says: 'parts.3: no chamber reaches "left brake"',
  },
]
