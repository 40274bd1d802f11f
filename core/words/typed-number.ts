import { thousandOrFraction } from '../units/typed-number'

/** What is wrong with a number as it was typed. */
export const numberFault = (text: string): string =>
  thousandOrFraction(text)
    ? 'Is that a thousand, or a whole number and a fraction? Write 1000, or 1.000.'
    : 'Give a number, like 3.1 or 3,1.'
