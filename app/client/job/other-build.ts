import { BUILD, BUILD_HEADER } from '~/lib/build'

let other: string | undefined
const watchers = new Set<() => void>()

/** Take note of the build that an answer came from. An answer that names none came from something in between. */
export const heardFrom = (response: Response): void => heardBuild(response.headers.get(BUILD_HEADER))

/** Take note of the build that the server says it is of. */
export function heardBuild(build: string | null): void {
  if (!build || build === BUILD || build === other) return
  other = build
  for (const watch of watchers) watch()
}

/** The build that the server is of, where it is not this page's. */
export const otherBuild = (): string | undefined => other
export const onOtherBuild = (watch: () => void): (() => void) => {
  watchers.add(watch)
  return () => watchers.delete(watch)
}
