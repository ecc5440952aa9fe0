import { mkdirSync } from 'node:fs'
import { resolve } from 'node:path'
import envPaths from 'env-paths'

/** Where the data lives: JAW_TILT_DATA, else the user's data directory. Made, with its parents, when missing. */
export function dataFolder(env: Record<string, string | undefined> = process.env): string {
  const folder = resolve(env.JAW_TILT_DATA || envPaths('jaw-tilt', { suffix: '' }).data)
  mkdirSync(folder, { recursive: true })
  return folder
}
