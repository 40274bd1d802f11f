/** As much of the bundler's view as is asked here. */
type Bundle = { getModuleInfo(id: string): { importers: readonly string[] } | null }

const SCREEN = /\/app\/(root|routes\/[\w/-]+)\.tsx\?__react-router-build-client-route$/
const ENTRY = /entry\.client/

/** The screens that cannot do without a module. */
function screensWith(id: string, bundle: Bundle): ReadonlySet<string> {
  const screens = new Set<string>()
  const seen = new Set([id])
  for (const at of seen) {
    const screen = SCREEN.exec(at)?.[1] ?? ENTRY.exec(at)?.[0]
    if (screen !== undefined) screens.add(screen)
    for (const importer of bundle.getModuleInfo(at)?.importers ?? []) seen.add(importer)
  }
  return screens
}

const among = (named: RegExp) => (screens: ReadonlySet<string>) =>
  [...screens].some((each) => named.test(each))
const ofJob = among(/^routes\/job\/job$/)
const first = among(/^(entry\.client|root|routes\/(who|shell|yard)\/[\w-]+)$/)
const ofCab = among(/^routes\/cab\//)
const ofPapers = among(/^routes\/due\/due$/)
const ofReckoning = among(/^routes\/(find\/find|bench\/bench-page)$/)

/**
 * What screens share goes out in a few files, told apart by who needs it: left to the bundler each set of screens that
 * shares something gets files of its own, a hundred for a station of a job, each of them a request and its wait.
 *
 * The first that fits takes a module. What fits none stays with the bundler.
 */
const SHARED: { name: string; by: (screens: ReadonlySet<string>) => boolean }[] = [
  { name: 'first', by: first },
  { name: 'cab', by: ofCab },
  { name: 'told', by: (screens) => ofJob(screens) && ofPapers(screens) },
  { name: 'reckoned', by: (screens) => ofJob(screens) && ofReckoning(screens) },
  { name: 'job', by: ofJob },
]

/** Groups for the bundler of the pages. */
export const sharedChunks = SHARED.map(({ name, by }, i) => ({
  debugName: name,
  priority: SHARED.length - i,
  name(id: string, bundle: Bundle): string | null {
    const screens = screensWith(id, bundle)
    return screens.size > 1 && by(screens) ? name : null
  },
}))
