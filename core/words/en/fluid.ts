import type { Params } from '../../base/decision'
import type { Say, Words } from '../say'

const water = ({ likelyPct, lowPct, highPct }: Params, say: Say) =>
  `${say.value('likelyPct', likelyPct)} water (${say.value('n', lowPct)} to ${say.value('highPct', highPct)})`
const limit = ({ limitPct }: Params, say: Say) => `the limit of ${say.value('limitPct', limitPct)}`

/** What readings say, what each rule makes of them, and when fluid is due. */
export const fluid: Words = {
  'limit-water': '{limitPct} water',
  'limit-boiling': 'at the wet boiling point',
  'limit-boiling-margin': 'within {marginApartC} of the wet boiling point',
  'limit-copper': '{limit} ppm copper',
  'limit-time': 'every {limit} months',
  'limit-distance': 'every {limitKm}',
  'takes-no-water': 'This fluid takes up no water: the rule does not apply.',
  'water-not-read': 'No reading of its water.',
  'water-replace': (p, say) => `${water(p, say)}: at or past ${limit(p, say)}.`,
  'water-watch': (p, say) => `${water(p, say)}: getting near ${limit(p, say)}.`,
  'water-not-ruled-out': (p, say) => `${water(p, say)}: the tester cannot rule ${limit(p, say)} out.`,
  'water-keep': (p, say) => `${water(p, say)}: well within ${limit(p, say)}.`,
  'boiling-not-known': 'Nothing tells how hot it boils.',
  'boils-at': ({ likelyC, lowC, highC, limitC, secondOpinion }, say) =>
    `Boils at ${say.value('likelyC', likelyC)} (${say.value('lowC', lowC)} to ${say.value('highC', highC)}); replace at ${say.value('limitC', limitC)}.${secondOpinion ? '' : ' With the specification’s minima this says the same as water: the product’s own data sheet or a boiled sample would be a second opinion.'}`,
  'copper-not-read': 'No copper strip was used.',
  'copper-replace': '{ppm} ppm copper: at or past the limit of {limit} ppm.',
  'copper-watch': '{ppm} ppm copper: getting near the limit of {limit} ppm.',
  'copper-keep': '{ppm} ppm copper: well within the limit of {limit} ppm.',
  'time-not-known': 'Nobody knows when it was last exchanged.',
  'time-since': '{months} months since the last exchange; the limit is {limit}.',
  'distance-not-known': 'Nobody knows how far it has gone since the last exchange.',
  'distance-since': '{sinceKm} since the last exchange; the limit is {limitKm}.',
  'nothing-measured': 'Nothing was measured, and no rule of the shop decides without.',
  'nothing-may-pass': 'Nothing here may say that the fluid stays: measure its water or boil a sample.',
  'by-either': 'By either reading: {why}',
  'readings-contradict':
    'The readings of {testers} cannot both be true of one place: take a surer tester, with a fresh sample.',
  'boiled-one-counts': 'A sample was boiled, so it counts and the {testers} beside it does not.',
  'reservoir-wetter':
    'The reservoir holds more water than the caliper, which is the wrong way round: look at the seal of its cap.',
  'reservoir-only': 'The sample is the reservoir’s: fluid at the calipers is older and may hold more water.',
  'moisture-does-not-apply':
    'This fluid takes up no water, so the reading says nothing of it: go by time, and look for free water low in the system.',
  'look-condemns': '{colour}: {clue}',
  'a-look-is-no-measurement': '{colour}. A look measures no water: it can never say keep.',
  'resistance-replace': ({ megohm, limit: least, takesWater }) =>
    `${megohm} MΩ is below ${least} MΩ: ${takesWater ? 'enough water or salts' : 'free water, dirt or another fluid'} to condemn it.`,
  'resistance-proves-nothing':
    '{megohm} MΩ proves nothing: an ohmmeter can condemn fluid, never pass it. Measure with another tester.',
  'copper-is-no-water':
    'Copper says how far the inhibitors are used up, not how hot it boils: water wants its own reading.',
  'degrees-from-a-table':
    'No sample has boiled: the meter looked its degrees up in a table made for one fluid. Near a limit take a second method.',
  'conductance-is-no-boiling':
    'It measures how the fluid conducts, which additives and temperature change too: near a limit take a second method.',
  'due-water-read': '{readPct} water when it was last read, past {limitPct}',
  'due-water': '{limitPct} water by its rise',
  'due-fell':
    'water fell by more than a reading can be off up to {onDay}: exchanged and not written down, and counted from there',
  'due-boiling-when-new': '{limitC} is above what it boils at when new',
  'due-boiling': 'boils at {limitC} by its rise of water',
  'due-time': '{limit} months after the last exchange',
  'due-distance': '{limitKm} at {yearKm} a year',
  'wear-drop': 'Pad wear alone takes about {aboutMl} from MAX.',
  'level-by-wear': 'Seen: {seenMl} below MAX. The wear explains it: worn pads, perhaps no leak.',
  'level-more-than-wear':
    'Seen: {seenMl} below MAX. More is missing than wear explains: look for a leak, in the booster and inside too.',
  'level-less-than-wear':
    'Seen: {seenMl} below MAX. Less is missing than wear takes: it was topped up, and will overflow when the pistons are pushed back.',
  'due-by-hand': 'set by hand when the last job was filed',
}
