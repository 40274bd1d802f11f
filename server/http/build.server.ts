import { BUILD } from '~/lib/build'

/** Which build this server is of; named from outside where one has to pass for another. */
export const serverBuild = (): string => process.env.SIPHON_BUILD ?? BUILD
