import { existsSync, readdirSync, statSync } from 'node:fs'
import { join } from 'node:path'

/** The paths of all files in a folder and in those within it; none where it is not there. */
export function filesIn(folder: string): string[] {
  if (!existsSync(folder)) return []
  return readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map((entry) => join(entry.parentPath, entry.name))
}

/** When the newest of these files was changed, and of those in these folders, in milliseconds since 1970. */
export function newestOf(folders: readonly string[], files: readonly string[]): number {
  return [...folders.flatMap(filesIn), ...files].reduce(
    (newest, file) => Math.max(newest, statSync(file).mtimeMs),
    0,
  )
}
