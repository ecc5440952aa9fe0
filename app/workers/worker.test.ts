import { existsSync, readFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { expect, it } from 'vitest'

const root = join(import.meta.dirname, '../..')
const IMPORT = /^import (?!type )([\s\S]*?) from '([^']+)'|^import '([^']+)'/gm
/** Whether anything but types comes of an import. */
const bringsCode = (names: string) =>
  !names.startsWith('{') ||
  names
    .slice(1, -1)
    .split(',')
    .some((name) => name.trim() !== '' && !/^\s*type /.test(name))

function fileOf(from: string, named: string): string {
  const path = named.startsWith('#core/')
    ? join(root, 'core', named.slice(6))
    : named.startsWith('~/')
      ? join(root, 'app', named.slice(2))
      : join(dirname(from), named)
  return existsSync(path) ? path : `${path}.ts`
}

/** The packages whose code a file and all that it imports bring along. */
function packagesOf(file: string, seen = new Set<string>()): Set<string> {
  const packages = new Set<string>()
  if (seen.has(file)) return packages
  seen.add(file)
  for (const [, names = '', named = '', bare = ''] of readFileSync(file, 'utf8').matchAll(IMPORT)) {
    const path = named || bare
    if (named && !bringsCode(names)) continue
    if (!/^([.~]|#core)/.test(path)) packages.add(path)
    else for (const one of packagesOf(fileOf(file, path), seen)) packages.add(one)
  }
  return packages
}

it('the worker of the bench brings what it computes with, and no schemas', () => {
  const packages = packagesOf(join(root, 'app/workers/bench.worker.ts'))
  expect(packages).toContain('ml-levenberg-marquardt')
  expect(packages).not.toContain('zod')
})
