declare module 'fs-native-extensions' {
  /** Lock an open file for this process alone. @returns false where another holds it */
  export function tryLock(fd: number): boolean
}
