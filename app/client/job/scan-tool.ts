import { hearLines } from '~/lib/hear-lines'
import type { ScanAsked, ScanSaid } from '~core/scan-tool/lines'

/** What a tool that cannot be heard comes to, for a person. */
const faultWords: Record<Extract<ScanSaid, { says: 'fault' }>['code'], string> = {
  'no-tool': 'No scan tool answers here. Plug it in, or read its screen aloud and type what it says.',
  silent: 'The scan tool has gone quiet. Nothing half heard was taken.',
  unplugged: 'The scan tool was unplugged in the middle. Nothing half heard was taken.',
  garbled: 'What answers on the scan tool’s port is no scan tool.',
  version: 'The scan tool speaks another version of its lines.',
}

/** Why it did not do what it was asked, in words; undefined where it did. */
export function whyNot(said: ScanSaid): string | undefined {
  if (said.says === 'fault') return faultWords[said.code]
  if (said.says === 'refused') return `The tool refuses: ${said.text || said.why}`
  if (said.says === 'broke') return `The routine broke off: ${said.text || said.why}`
  return undefined
}

/**
 * Ask the shop’s scan tool one thing, and hear what it says.
 *
 * @returns what ended the answer
 */
export async function askScanTool(
  asked: ScanAsked,
  hear: (said: ScanSaid) => void,
  signal: AbortSignal,
): Promise<ScanSaid> {
  const answer = await fetch('/scan-tool/ask', {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify(asked),
    signal,
  })
  let last: ScanSaid = { says: 'fault', code: 'no-tool', text: '' }
  // A shop without one has none to ask.
  if (answer.status === 404) return last
  await hearLines<ScanSaid>(answer, (said) => {
    last = said
    hear(said)
  })
  return last
}
