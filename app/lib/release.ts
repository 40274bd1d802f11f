import { version } from '../../package.json'

/** Number of this release, as the package bears it. */
export const RELEASE: string = version
