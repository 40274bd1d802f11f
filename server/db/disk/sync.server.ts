import { closeSync, fsyncSync, openSync, readdirSync } from 'node:fs'
import { join } from 'node:path'

/** Put a file, or the entries of a folder, on the disk for good. */
export function syncPath(path: string): void {
  const file = openSync(path, 'r')
  try {
    fsyncSync(file)
  } finally {
    closeSync(file)
  }
}

/** A folder with all that is in it, innermost first. Only then may it be given the name by which it is looked for. */
export function syncTree(dir: string): void {
  for (const entry of readdirSync(dir, { withFileTypes: true })) {
    const path = join(dir, entry.name)
    if (entry.isDirectory()) syncTree(path)
    else if (entry.isFile()) syncPath(path)
  }
  syncPath(dir)
}
