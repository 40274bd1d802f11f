import { z } from 'zod'
import { mendFirst } from '../change'
import { counted } from '../levels'
import { atWheel } from './parts'
import { mlField, type Trouble } from './trouble'

export const spillPlaces = ['floor', 'paint', 'pads'] as const

export const spilledSaid = z.object({
  what: z.literal('spilled'),
  ml: mlField,
  on: z.enum(spillPlaces, 'say on what'),
})

/** Spilled fluid is counted; what it touched decides what comes next. */
export const spilled: Trouble<typeof spilledSaid> = {
  title: 'Fluid spilled',
  schema: spilledSaid,
  happened(state, { ml, on }, id) {
    const run = counted(state.run, { spilledMl: ml })
    const amount = `About ${Math.round(ml)} mL spilled`
    if (on === 'floor')
      return {
        state: { ...state, run },
        text: `${amount} on the floor: soak it up, never into a drain.`,
        startAgain: [],
      }
    const [text, step] =
      on === 'paint'
        ? [
            `${amount} on paint: it eats it.`,
            atWheel(`${id}-rinsed`, 'Rinse the paint with plenty of water. Do not wipe.'),
          ]
        : [
            `${amount} on pads, shoes or a disc: they no longer hold. The proof asks for them.`,
            atWheel(
              `${id}-pads`,
              'Wetted pads or shoes replaced in pairs, disc or drum cleaned.',
              'No chlorinated cleaner near heat. Old lining dust: never blow it out.',
            ),
          ]
    const extraChecks =
      on === 'pads' && !state.extraChecks.includes('pads-clean')
        ? [...state.extraChecks, 'pads-clean']
        : state.extraChecks
    return {
      state: { ...state, extraChecks, run: mendFirst(run, id, [step]) },
      text,
      startAgain: [],
    }
  },
}
