/** An invented vehicle whose runs and orders were worked out by hand, so that the program can be held to them. */
export type Example = {
  /** The vehicle file as anyone may import it. */
  file: unknown
  /** Run of every bleeder in metres, added up by hand. */
  runsM: Record<string, number>
  /** By order school, for ordinary work; a maker's order is in force where the file states one. */
  orders: Record<string, string[]>
  /** Furthest first in a conversion, where that is another order. */
  conversion?: string[]
}
