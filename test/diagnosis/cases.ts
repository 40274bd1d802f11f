import type { Complaint } from '~core/diagnosis/complaints'
import type { Case } from '~core/diagnosis/request'

/** One worked case: what somebody came with, what a good technician does first, and why. */
export type DiagnosisCase = {
  name: string
  /** Why the steps are what they are, in a technician's words. */
  reasoning: string
  complaint: Complaint
  /** An example vehicle by the name of its file; left out, nobody knows which it is. */
  vehicle?: string
  history?: Partial<Case['history']>
  /** `check=result`, as found before. */
  found?: string[]
  /** What is done next and what it shows, step by step; the last has no answer yet. Several are as good where `|` stands. */
  steps: string[]
  /** What it then is. */
  ends?: string
}

const looked = ['level=full', 'wet-places=dry']

export const diagnosisCases: DiagnosisCase[] = [
  {
    name: 'whatever it is, the reservoir and the floor are looked at first',
    reasoning: 'A minute each, and a leak or an empty reservoir makes every other look mean something else.',
    complaint: 'soft-pedal',
    steps: ['level=full', 'wet-places=dry', 'hold-firm|hold-light|pump-up'],
  },
  {
    name: 'soft, sinks when it is held, dry outside',
    reasoning: 'It sinks and nothing is wet: the cylinder passes its own seals. No bleed will mend that.',
    complaint: 'soft-pedal',
    vehicle: 'parcel-van',
    found: [...looked, 'hold-firm=sinks', 'hold-light=sinks'],
    steps: ['ports-plugged|cylinder-bypass|pump-up'],
    ends: 'cylinder-bypass',
  },
  {
    name: 'sinks, wet at a wheel',
    reasoning: 'A leak that is seen needs no other look: it is made tight.',
    complaint: 'sinking-pedal',
    found: ['level=low', 'wet-places=wheel'],
    steps: ['outside-leak'],
    ends: 'outside-leak',
  },
  {
    name: 'sinks and dry',
    reasoning:
      'Three in four it is the cylinder, and its plugs cost a third of its price in time: bought at once or plugged first, but no unit for a thousand.',
    complaint: 'sinking-pedal',
    vehicle: 'parcel-van',
    found: looked,
    steps: ['cylinder-bypass|ports-plugged'],
    ends: 'cylinder-bypass',
  },
  {
    name: 'sinks and dry, and the plugs hold',
    reasoning: 'The cylinder is cleared: what lets past lies behind it.',
    complaint: 'sinking-pedal',
    vehicle: 'parcel-van',
    found: [...looked, 'ports-plugged=firm'],
    steps: ['stood|bubbles|thumb|air-lines|unit-cycled'],
  },
  {
    name: 'soft, better by pumping, bubbles that thin out',
    reasoning: 'Air in the lines, on its way out: bleed on.',
    complaint: 'soft-pedal',
    vehicle: 'ferry-estate',
    found: [...looked, 'pump-up=improves', 'hold-firm=holds', 'bubbles=thin-out'],
    steps: ['bled-again|air-lines|high-point'],
    ends: 'air-lines',
  },
  {
    name: 'soft after a cylinder and a cycle',
    reasoning:
      'Cylinder new, bled fully, the unit has cycled: a cylinder is not bought twice; the curve says whether it is air at all.',
    complaint: 'soft-pedal',
    vehicle: 'parcel-van',
    history: { replaced: ['cylinder'], bledSince: true, fullyBled: true },
    found: [...looked, 'unit-cycled=same'],
    steps: ['hold-firm=holds', 'hold-light|pump-up|high-point|hose-clamped|three-efforts'],
  },
  {
    name: 'soft, firm with one hose clamped, straight with effort',
    reasoning: 'That hose swells: a hose is thirty.',
    complaint: 'springy-middle',
    vehicle: 'parcel-van',
    found: [...looked, 'three-efforts=straight', 'hose-clamped=firms'],
    steps: ['hose-soft'],
    ends: 'hose-soft',
  },
  {
    name: 'springy in the middle: clamps before a control unit',
    reasoning:
      'Hose, lines and unit are about as likely; the looks that tell them apart cost minutes, the unit a thousand.',
    complaint: 'springy-middle',
    vehicle: 'parcel-van',
    found: looked,
    steps: ['hold-firm|pump-up|hold-light|high-point|three-efforts|hose-clamped'],
  },
  {
    name: 'low, then fine on the second press, drums behind',
    reasoning: 'The shoes want adjusting before anything is bled.',
    complaint: 'low-pedal',
    vehicle: 'ferry-estate',
    found: [...looked, 'pump-up=improves', 'hold-firm=holds', 'bubbles=none'],
    steps: ['adjusted|shoes-out'],
    ends: 'shoes-out',
  },
  {
    name: 'low on discs all round: no shoes to adjust',
    reasoning: 'What the vehicle does not have is not looked at.',
    complaint: 'low-pedal',
    vehicle: 'parcel-van',
    found: [...looked, 'pump-up=improves'],
    steps: ['hold-firm|hold-light|bubbles|high-point|pushrod|three-efforts'],
  },
  {
    name: 'all four wheels drag',
    reasoning: 'The rod or the port: feel the rod for ten minutes before a cylinder is bought.',
    complaint: 'drag-all',
    vehicle: 'ferry-estate',
    found: looked,
    steps: ['pushrod=clear', 'crack-port|crack-bleeder|cylinder-no-return|pushrod-tight'],
  },
  {
    name: 'all four drag, the rod has no play',
    reasoning: 'That is it: twenty minutes, no part.',
    complaint: 'drag-all',
    found: [...looked, 'pushrod=tight'],
    steps: ['pushrod-tight'],
    ends: 'pushrod-tight',
  },
  {
    name: 'all four drag, free at the port, the rod has its play',
    reasoning:
      'Held by the cylinder, and not by the rod: its port stays shut. Drawing down what is over MAX costs nothing.',
    complaint: 'drag-all',
    found: [...looked, 'pushrod=clear', 'crack-port=frees'],
    steps: ['overfilled|cylinder-no-return|loosen-cylinder'],
    ends: 'cylinder-no-return',
  },
  {
    name: 'all four drag, filled to the brim',
    reasoning: 'Nowhere for the fluid to go back to: draw it down, that costs nothing.',
    complaint: 'drag-all',
    found: ['level=full', 'wet-places=reservoir'],
    steps: ['overfilled|pushrod|pushrod-tight'],
  },
  {
    name: 'one wheel drags',
    reasoning: 'Crack its bleeder: free means hydraulic, still fast means the brake itself.',
    complaint: 'drag-one',
    vehicle: 'school-minibus',
    found: looked,
    steps: ['crack-bleeder=stays', 'brake-seized|flow'],
    ends: 'brake-seized',
  },
  {
    name: 'one wheel drags and frees at its bleeder',
    reasoning: 'Held by pressure, at one wheel only: its hose.',
    complaint: 'drag-one',
    vehicle: 'school-minibus',
    found: [...looked, 'crack-bleeder=frees'],
    steps: ['hose-closed|flow|crack-port'],
    ends: 'hose-closed',
  },
  {
    name: 'level low, dry, pads worn',
    reasoning: 'The lamp and the sum of the wear come before any search for a leak.',
    complaint: 'low-level',
    vehicle: 'parcel-van',
    found: ['wet-places=dry'],
    steps: ['level-lamp=works', 'wear-sum|pad-wear'],
    ends: 'pad-wear',
  },
  {
    name: 'level low, dry, and the wear does not explain it',
    reasoning: 'Then it has gone somewhere that is not seen: behind the cylinder.',
    complaint: 'low-level',
    vehicle: 'parcel-van',
    found: ['wet-places=dry', 'level-lamp=works', 'wear-sum=does-not'],
    steps: ['outside-leak|pad-wear'],
  },
  {
    name: 'level low, fluid in the booster',
    reasoning: 'The cylinder’s rear seal: cylinder, and the booster that the fluid spoils.',
    complaint: 'low-level',
    vehicle: 'parcel-van',
    found: ['wet-places=booster', 'wear-sum=does-not'],
    steps: ['booster-leak|level-lamp'],
    ends: 'booster-leak',
  },
  {
    name: 'good, then gone after a week standing',
    reasoning: 'A foot held on it costs two minutes; seals that let past sink at once or slowly.',
    complaint: 'lost-after-standing',
    vehicle: 'ferry-estate',
    found: looked,
    steps: ['hold-firm|hold-light|pump-up'],
  },
  {
    name: 'fades when hot, and the fluid boils too low',
    reasoning: 'Old fluid: an exchange, no part.',
    complaint: 'fades-hot',
    vehicle: 'mountain-rescue',
    found: [...looked, 'heat=all', 'boiling=below-limit'],
    steps: ['fluid-boils'],
    ends: 'fluid-boils',
  },
  {
    name: 'fades when hot, and one wheel is hot',
    reasoning: 'A wheel that drags boils good fluid: it is mended first.',
    complaint: 'fades-hot',
    vehicle: 'mountain-rescue',
    found: [...looked, 'heat=one', 'boiling=above-limit'],
    steps: ['return|brake-seized'],
    ends: 'brake-seized',
  },
  {
    name: 'air comes and never ends',
    reasoning: 'Look whether the bleeder is on top before another litre goes through.',
    complaint: 'air-never-ends',
    vehicle: 'ferry-estate',
    found: looked,
    steps: ['high-point=not-at-top', 'bleeder-not-at-top'],
    ends: 'bleeder-not-at-top',
  },
  {
    name: 'air never ends under vacuum, and goes on with the bleeder closed',
    reasoning: 'It comes past the thread: there is none in the line.',
    complaint: 'air-never-ends',
    found: [...looked, 'high-point=at-top', 'vacuum-closed=go-on'],
    steps: ['false-bubbles'],
    ends: 'false-bubbles',
  },
  {
    name: 'nothing at all, and nothing comes at any bleeder',
    reasoning: 'The cylinder moves nothing: a thumb on its port, then the cylinder; no bleed.',
    complaint: 'no-pedal',
    vehicle: 'chapel-saloon',
    found: [...looked, 'flow=none'],
    steps: ['pump-up|thumb|cylinder-no-draw'],
    ends: 'cylinder-no-draw',
  },
  {
    name: 'combined cylinder that draws nothing: the clutch does not part',
    reasoning: 'It pushes and does not draw back: that cylinder.',
    complaint: 'no-clutch',
    vehicle: 'coastguard-saloon',
    found: [...looked, 'thumb=pushes-only'],
    steps: ['hold-firm|hold-light|cylinder-no-draw|flow|pump-up'],
    ends: 'cylinder-no-draw',
  },
  {
    name: 'motorcycle, soft after its hose was opened and not bled at the hollow bolt',
    reasoning: 'Opened and not bled since: air, and the bleed is cheaper than any look that costs an hour.',
    complaint: 'soft-pedal',
    vehicle: 'courier-twin-disc',
    history: { opened: ['front cylinder'], bledSince: false },
    found: [...looked, 'hold-firm=holds', 'pump-up=improves'],
    steps: ['bubbles|air-lines|air-cylinder|bled-again|high-point|hold-light|three-efforts'],
    ends: 'air-lines',
  },
  {
    name: 'hard pedal, and it does not drop with the engine',
    reasoning: 'No help from the booster: its hose and valve.',
    complaint: 'hard-pedal',
    vehicle: 'parcel-van',
    found: [...looked, 'engine-started=stays'],
    steps: ['booster-no-help|heat'],
    ends: 'booster-no-help',
  },
  {
    name: 'pulls to one side, one wheel cold',
    reasoning: 'Heat tells which wheel does not work, for four minutes.',
    complaint: 'pulls-to-one-side',
    vehicle: 'quarry-pickup',
    found: looked,
    steps: ['heat|crack-bleeder'],
  },
  {
    name: 'nothing comes at one bleeder',
    reasoning:
      'Hose or bleeder, alike likely: the bleeder is taken out in eight minutes, and comes before the hose.',
    complaint: 'no-flow-one',
    vehicle: 'ferry-estate',
    found: looked,
    steps: ['bleeder-out|bleeder-blocked|joint-cracked|heat'],
  },
]
