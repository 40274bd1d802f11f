import type { Words } from '../say'

/** Stops, reasons and refused ways of a plan. */
export const plan: Words = {
  // How far
  'scope-local': ({ side, part, replaced }, say) =>
    part
      ? `Only the ${say.value('part', part)} was ${replaced ? 'replaced' : 'opened'} and the reservoir stayed above MIN: its bleeder, then the pedal decides.`
      : `Only the ${say.value('side', side)} side was opened and the reservoir stayed above MIN: bleed what lies beyond the joint, then let the pedal decide.`,
  'scope-upstream-opened': 'The {what} was opened: at the master cylinder first, then every bleeder.',
  'scope-cylinder-replaced':
    'A new master cylinder is full of air: bleed it on the bench (or at its ports in place), then every bleeder.',
  'scope-unit': ({ part, replaced }, say) =>
    `The ${say.value('part', part)} was ${replaced ? 'replaced' : 'opened'}: base bleed with it unpowered, then its own cycles with a base bleed after each.`,
  'scope-system-empty':
    'The system is empty: fill it slowly, let the air rise out of the reservoir, then the cylinder and every bleeder.',
  'scope-ports-bare':
    'So little stands in {reservoir} that a port is bare: it counts as run dry, whatever was seen of it.',
  'scope-ran-dry':
    'The reservoir ran dry, so the master cylinder drew air: at its ports in place (or on the bench), then every bleeder.',
  'scope-conversion':
    'Wrong fluid: the reservoir emptied and wiped, then every bleeder, the clutch too where it shares the fluid.',
  'scope-service': 'A routine exchange: the reservoir, then every bleeder.',
  'scope-whole': 'Nothing is named as opened, so every bleeder is in scope.',
  'find-fault-first':
    'A soft pedal with nothing opened is a sign, not a cause. First: level and wet places; pump, and see whether it improves; hold it lightly, then firmly, and see whether it sinks. Each costs a minute or two and may name the part.',
  'scope-soft-pedal':
    'Air is suspected and nothing says where: the cylinder’s ports first, then every bleeder until clean and firm. No exchange.',
  'scope-school-whole': 'The shop bleeds every bleeder after any opened corner.',
  // Order
  'upstream-first': 'Bleeders on the control unit and valves come before the wheels.',
  'maker-order': 'The maker states an order for this vehicle, and it wins.',
  'order-stated': 'The order was set by hand, {order}: {why}.',
  'no-reason-yet': 'no reason given yet',
  'order-furthest-first':
    'Furthest first: The longest run first, so that new fluid is never pulled back past old.',
  'order-nearest-first': 'Nearest first: Some makers ask for it with some control units.',
  'order-circuit-by-circuit': 'Circuit by circuit: Keeps a finished circuit clean while the other is open.',
  'order-upstream-late':
    '{bleeder} after {others}: air and old fluid that stand in the {part} come down into what is clean. Take {bleeder} first, or bleed {others} again after it.',
  'order-higher-first':
    '{bleeder} after {others} on the same brake: air stirred up below rises to {others}, which is clean. Open {others} once more at the end.',
  'order-clutch-late':
    '{bleeder} after {others}: at every release the clutch sends wrong fluid back into the reservoir it shares with them, and they are clean. In a conversion the clutch comes first.',
  'order-clutch-early':
    '{bleeder} before {others}: at every release the clutch sends old fluid back into the reservoir, which was filled new and still has to feed them. The clutch comes last, or fill the reservoir new once more after it.',
  'order-maker-left': 'The maker states another order, {order}, and the maker’s word comes first.',
  'order-differs': 'At place {place} it takes {taken}, not {instead}: {why}.',
  'because-upstream': 'units and valves come before what they feed',
  'because-clutch-clean': 'a conversion needs the clutch clean first',
  'because-clutch-last': 'the clutch comes last',
  'because-simulators-last': 'wheels come before stroke simulators',
  'because-maker': 'the maker states it',
  'because-lower-first': 'the lower or inboard bleeder of a brake comes first',
  'because-circuit-finished': 'circuit {one} is finished before circuit {other} is opened',
  'because-circuit-longest': 'of the circuits left, {one} has the longest run',
  'because-lever-pair': 'of two brakes on a lever the one further along the hose comes first',
  'because-runs-alike': 'their runs are alike, {runM}, and their positions decide',
  'because-run': 'its run is {runM}, the other’s {otherM}',
  // Fluid
  'fluid-spec': 'The vehicle calls for {spec}.',
  'fluid-iso-class': 'Of ISO 4925 class {isoClass}: look for it on the container.',
  'fluid-as-good': ({ used, better }, say) =>
    `${used} goes in: same base, and in nothing worse: ${say.value('better', better) || 'the same limits'}.`,
  'fluid-maker-allows': '{used} goes in because the maker allows it, though {worse}.',
  'base-differs': '{has} where seals and fluid are {wants}',
  'dry-point': ({ mineC, limitC }, say) =>
    `dry boiling point ${say.value('mineC', mineC) || 'not stated'} against ${say.value('limitC', limitC)}`,
  'wet-point': ({ mineC, limitC }, say) =>
    `wet boiling point ${say.value('mineC', mineC) || 'not stated'} against ${say.value('limitC', limitC)}`,
  'cold-viscosity': ({ mineMm2PerS, limitMm2PerS }, say) =>
    `viscosity at ${say.show('temperature', -40)} ${mineMm2PerS ?? 'not stated'} against ${limitMm2PerS} mm²/s`,
  'on-hand-first': 'Sealed {spec} on the shelf is opened before any is bought.',
  'buy-least-left': 'Containers from the sizes on the shelf, with the least left over.',
  'reading-asks-exchange': 'The reading alone calls for a full exchange: offer it with this work.',
  'fluid-unknown':
    'What is in the system is unknown. Find out (a drop in water mixes if glycol, floats if silicone or mineral), or plan a conversion to {used}.',
  'fluid-incompatible':
    '{found} was found where {used} is to go in, and they must never mix. Plan a conversion, and ask the maker about the seals.',
  'fluid-never': '{used} must not go into a system made for {spec}: {worse}.',
  'fluid-worse':
    '{used} is worse than the {spec} this vehicle calls for: {worse}. The maker does not allow it.',
  // Amounts
  'purge-target': ({ targetPct, conversion }, say) =>
    `Each bleeder until at most ${say.value('targetPct', targetPct)} of what comes out is old: the worse of stirred tanks and laminar tail, for ${conversion ? 'a conversion' : 'an exchange'}.`,
  'clear-target':
    'Enough through each bleeder to bring the reservoir’s fluid there and carry the air out. No exchange: how old it is afterwards is not promised.',
  'draw-down':
    'Old fluid is drawn out of {reservoir} down to {leftMl}: as far as every port stays covered, well below MIN.',
  refill: '{refillMl} are missing from MAX, and are poured too before the vehicle leaves.',
  'rinse-saves':
    'Rinsed with {rinseMl} and drawn down again, {reservoir} holds so little old fluid that less is needed at the bleeders than the rinse costs.',
  'dead-volumes-usual':
    'What {count} brakes hold with their pistons home is not in the file: the usual figure stands in.',
  'branches-keep-old': ({ units, aboutMl }, say) =>
    `The closed branches of the unit keep ${aboutMl === undefined ? 'the fluid that stands in them' : `about ${say.value('aboutMl', aboutMl)} of the old fluid`} (${say.value('units', units)}): only its own routine opens them. It may be left so where the pedal is firm and the fluid was changed in time.`,
  'scope-unit-worked': 'What the unit lets loose may go to any wheel: every bleeder.',
  'unit-by-choice': 'The unit is worked though nobody opened it: {why}.',
  'work-unit-maker': 'its maker asks for it',
  'work-unit-old-fluid': 'the fluid in it is old',
  'work-unit-soft-pedal': 'the pedal is soft and air may stand in it',
  'work-unit-panic-stop': 'a hard stop, so that it worked, changed nothing',
  'branches-keep-wrong':
    'The closed branches of the unit keep wrong fluid ({units}): nothing here opens them. Get them cycled, and flush again.',
  'systems-in-turn':
    'Its {count} systems share nothing: one is finished and put together before the next is opened.',
  'leak-check-first':
    'Fresh joints under {setKPa} from the machine before any fluid is spent: it finds wet ones. Full effort at the end proves them.',
  'reservoir-carries-old':
    'The volumes hold for a clean feed. What stays in the reservoir below MIN is old, so the worst bleeder is expected to end at about {worstPct} old: draw lower where the ports stay covered, or draw and fill again before bleeding.',
  'old-fluid-worse-of':
    'The worse of stirred tanks and laminar tail at every bleeder, with the reservoir carried along.',
  'old-fluid-rinse':
    'A rinse of {rinseMl} after drawing down, drawn out again, saves more at the bleeders than it costs.',
  'sizes-assumed':
    '{count} parts and lines of this vehicle have usual sizes, not measured ones: volumes and minutes are estimates, and colour and bubbles decide.',
  'top-up-never-below-min':
    'From MAX to MIN is {usableMl}: at most {strokes} full strokes before someone pours.',
  'reservoir-wiped':
    'Emptied and wiped with lint-free cloth, filled, worked through, emptied and filled once more.',
  'fill-slowly': 'An empty system is filled slowly, and the air given time to rise out of the reservoir.',
  'pistons-up': 'Pressed home, the pistons bring about {upMl} up in {reservoir}.',
  'pistons-up-too-much': ({ upMl, reservoir, roomMl, levelSeen }, say) =>
    `Pressed home, the pistons bring about ${say.value('upMl', upMl)} up in ${say.value('reservoir', reservoir)}: ${say.value('roomMl', roomMl)} more than there is room for${levelSeen ? '' : ', if it stands at MAX'}. It is drawn down first.`,
  'pistons-home':
    'Pistons that are pressed home for new pads bring {upMl} of old fluid up, and their brakes hold as much less.',
  'reservoir-first':
    'The old fluid is drawn out of the reservoir first, so that it is not pushed through the whole system.',
  'draw-down-saves':
    'Drawing down and filling saves {savedMl} against flushing the reservoir through to the same share of old.',
  'bench-loss': 'About {strokes} full strokes of every chamber stay in the vice and the pan.',
  'port-loss': 'About {strokes} full strokes of every chamber leave at the cylinder’s ports.',
  // Stages
  'joints-opened': 'A joint was opened: every one is looked at under full effort before the proof.',
  'prove-always': 'No vehicle leaves on a plan: pedal, leaks, wheels and level are proved.',
  'unit-drives-brakes':
    'Some brakes hang on the unit’s own pump: its routine moves their fluid, no foot does.',
  'unit-cycles':
    'The unit’s valves and pump hide air and old fluid until they are worked: base bleed, routine, base bleed.',
  'routine-costs':
    'With a bleeder open the unit’s pump pushes out about what stands between it and the wheel.',
  'base-bleed-again': 'After a routine, what it let loose is carried from the unit to every bleeder.',
  'cylinder-way': '{why}',
  'unit-way': '{why}',
  'routine-by-example':
    'The steps of its routine are a ready example, “{name}”: the maker’s text replaces them, on the vehicle’s page.',
  'routine-foot-missing':
    'Its routine has these bled by foot, and this shop has nobody for it: {way} instead. The maker’s word first.',
  'routine-by-text': ({ name, by, on }) =>
    `Its routine goes by “${name}”${by ? `, written down by ${by}` : ''}${on ? `, ${on}` : ''}.`,
  // Settings
  'pressure-setting': '{setKPa} at the reservoir: {because}.',
  'vacuum-setting': '{setKPa} below atmosphere: {because}.',
  'cap-doubtful': (_, say) =>
    `the cap’s seal is not known to be sound, so never above ${say.show('pressure', 55)}`,
  'makers-figure': 'the maker’s figure',
  'adapter-rating': 'no more than the adapter is made for',
  'usual-pressure': (_, say) =>
    `inside the usual ${say.show.number('pressure', 70)} to ${say.show('pressure', 103)}`,
  'usual-vacuum': (_, say) =>
    `inside the usual ${say.show.number('pressure', 60)} to ${say.show('pressure', 85)}`,
  // Ways
  'method-by-hand': '{way}, taken by hand: {why}',
  'method-maker': '{way}: the maker states its setting for this vehicle.',
  'method-cheapest': '{way}: {rests} Lowest sum of time and risk here.',
  'not-in-shop': 'The shop does not offer it.',
  'nobody-to-help': 'Nobody can sit in the cab.',
  'equipment-missing': 'Not at hand: {things}.',
  'set-aside': 'The usual choice here, set aside by hand.',
  'time-and-risk': '{min} min and a risk worth {risk}',
  'maker-states-another': 'The maker states another method: here {here}, there {there}.',
  'costs-more': '{usual} costs less time and risk: here {here}, there {there}.',
  'not-needed': 'Nothing in this work asks for it.',
  'residual-valve-blocks': ({ upwards }) =>
    upwards
      ? 'A residual-pressure valve lets nothing back up the line.'
      : 'A residual-pressure valve holds more than gravity gives.',
  'shop-too-cold': 'At {tempC} the fluid is too thick to run by itself.',
  'unit-valves-closed': 'The brake-by-wire unit’s valves stand closed at rest: nothing runs through them.',
  'reverse-is-no-exchange':
    'Pushing up through the bleeders fills the reservoir with old fluid: good for air, never an exchange.',
  'reverse-pushes-dirt': 'It would push the wrong fluid and its dirt up into the cylinder.',
  'routine-wants-foot':
    'Its routine, as it was written down, has the pedal pumped: somebody sits in the cab.',
  'routine-wants-no-foot': 'Its routine, as it was written down, moves the fluid by itself.',
  'routine-not-offered': 'This vehicle’s unit does not offer that routine.',
  'no-place-for-prop': 'There is no pedal with a seat before it that a prop could stand between.',
  'out-of-reach': 'Nobody reaches bleeder {bleeder} with a hand at its lever or pedal.',
  'pump-fed-brakes': 'Some of these brakes are fed by the unit’s own pump: the pedal moves no fluid there.',
  'no-fast-pumping': ({ takeUp }) =>
    takeUp
      ? 'Quick pumping only stirs a quick-take-up cylinder: slow strokes with rests.'
      : 'A concentric clutch slave wants no quick pumping: it would travel too far.',
  'adapter-missing': 'Its reservoir takes the adapter “{adapter}”, and the shop has none of that name.',
  'metering-valve-shut':
    'The metering valve shuts the fronts off at the machine’s pressure, and the tool that holds it open is not at hand.',
  'pressure-not-on-this-kind':
    'Most {kind}s have no reservoir that takes a pressure adapter, and the maker states no pressure.',
  // Stops
  'no-bleeder':
    'No bleeder is in reach of this work: give the vehicle’s bleeders, or the maker’s way to let the air out.',
  'brake-without-bleeder':
    'No bleeder in the file at: {parts}. Fluid and air there would stay. Give its bleeder, or the maker’s way to let it out (hose end, brake hung, joint opened).',
  'method-excluded': '{way} cannot be taken here, whatever the reason: {why}',
  'no-method': 'The shop has no method at hand: name at least one it can do.',
  'no-method-fits':
    'None of the shop’s methods may be used on this vehicle now; each one’s reason is listed.',
  'control-unit-tool-missing':
    'The control unit must run its bleed routine, and the shop has no scan tool for it: get one, or pass the job on.',
  'unit-routine-unfit': 'The control unit’s routine cannot be run now: {why}',
  'offers-none': 'it offers none.',
  'cylinder-method-missing':
    'The master cylinder holds air, and the shop can neither bleed it on the bench nor at its ports.',
  // Where air sits
  'air-hollow-bolt':
    '{part}: its hollow bolt is often the highest point; turn the bars so that it is, and crack it first',
  'air-outlets': '{part}: its outlets keep air; crack them at the fittings where air was let in',
  'air-until-opened': '{part}: keeps air until its bleeders are opened',
  'air-unit': '{part}: keeps air that only flow, or its own routine, carries off',
  'air-bleeder-low':
    '{part}: its bleeder is not at the highest point, so air stays until the brake is hung to bleed',
  'air-highest': '{part}: higher than what it joins, and without a bleeder',
}
