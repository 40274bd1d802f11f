/** After so long without a write what the log holds is put into the tables, so that a start after a power cut is short. */
const REST_MS = 5000
/** However busy: about a segment of the log, which grows by itself until a checkpoint. */
const MOST_WRITES = 5000

let held = 0

/** While something copies the files, the log keeps what it needs to make them whole: no checkpoint cuts it. */
export async function withoutCheckpoints<T>(work: () => Promise<T>): Promise<T> {
  held++
  try {
    return await work()
  } finally {
    held--
  }
}

/** Asks for a checkpoint when a store comes to rest: a database alone in its process makes none by itself. */
export class AtRest {
  private writes = 0
  private timer?: ReturnType<typeof setTimeout>
  /** One at a time. */
  private running: Promise<void> = Promise.resolve()
  constructor(private readonly checkpoint: () => Promise<void>) {}

  wrote(): void {
    this.writes++
    clearTimeout(this.timer)
    if (this.writes % MOST_WRITES === 0) this.ask()
    else this.timer = setTimeout(() => this.ask(), REST_MS).unref()
  }
  /** None is asked for any more, and one that runs is done: what it asks is asked of an open store. */
  async stop(): Promise<void> {
    clearTimeout(this.timer)
    await this.running
  }
  private ask(): void {
    if (held > 0) this.timer = setTimeout(() => this.ask(), REST_MS).unref()
    else this.running = this.running.then(() => this.checkpoint())
  }
}
