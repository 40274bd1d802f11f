import { ExportCheck, type Verified, verifyPieces } from '~core/ledger/export-file'
import { shortFingerprint } from '~core/ledger/logbook'

/*
 * A page that is one file: it checks an export with no server and no network, also years after. It shares its check with
 * the command; everything it says is put in as text, since what it reads may be anybody's.
 */

const element = <K extends keyof HTMLElementTagNameMap>(name: K, text = ''): HTMLElementTagNameMap[K] => {
  const made = document.createElement(name)
  made.textContent = text
  return made
}

const scopes = {
  all: 'everything of a shop',
  logbook: 'a logbook',
  record: 'one record',
  person: 'what is known of one person',
}

type Shown = { plate: string; outcome?: { words: string } }

/** A file's text as it is read. */
async function* textOf(file: File): AsyncGenerator<string> {
  const reader = file.stream().pipeThrough(new TextDecoderStream()).getReader()
  for (let part = await reader.read(); !part.done; part = await reader.read()) yield part.value
}

function show(name: string, verified: Verified, records: ReadonlyMap<string, Shown | undefined>): void {
  const answer = document.getElementById('answer')
  if (!answer) return
  if (!verified.valid) {
    answer.className = 'bad'
    answer.replaceChildren(
      element('h2', '✗ Not as it was written'),
      element('p', `${name}: ${verified.fault.path || 'the file'}: ${verified.fault.message}.`),
      element('p', 'Do not rely on it. Ask the shop for another copy, and compare.'),
    )
    return
  }
  const list = element('ul')
  for (const { entry } of verified.ledger.records) {
    const shown = 'job' in entry ? records.get(entry.job) : undefined
    list.append(
      element(
        'li',
        `Entry ${entry.seq}, ${entry.at.slice(0, 10)}: ${shown ? `${shown.plate}, ${shown.outcome?.words}` : 'without words'}`,
      ),
    )
  }
  answer.className = 'sound'
  answer.replaceChildren(
    element('h2', '✓ Sound'),
    element('p', `${name} holds ${scopes[verified.scope]}, as it was written and signed.`),
    element(
      'p',
      `Signed with the key ${shortFingerprint(verified.ledger.key)}. Compare this with the key on the shop’s paper: a forger has a key too, but not that one.`,
    ),
    element('p', `Newest link: ${verified.head}`),
    list,
  )
}

async function read(file: File | undefined): Promise<void> {
  if (!file) return
  /** What each filed record says of itself, by its job. */
  const records = new Map<string, Shown | undefined>()
  const check = new ExportCheck((table, row) => {
    if (table === 'record')
      records.set(String(row.job_id), (row.state as { shown?: Shown } | undefined)?.shown)
  })
  show(file.name, await verifyPieces(textOf(file), check), records)
}

document.getElementById('file')?.addEventListener('change', (event) => {
  void read((event.target as HTMLInputElement).files?.[0])
})
document.addEventListener('dragover', (event) => event.preventDefault())
document.addEventListener('drop', (event) => {
  event.preventDefault()
  void read(event.dataTransfer?.files[0])
})
