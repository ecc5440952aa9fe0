import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { build, chromium, giveUp, install, run, say } from './setUp.mjs'

const PARTS = {
  format: { what: 'Format', command: ['prettier', '--check', '.'] },
  lint: { what: 'Lint', command: ['eslint', '.', '--max-warnings', '0'] },
  rooms: {
    what: 'Rooms: who may import whom',
    command: ['depcruise', 'app', 'core', 'server', '--output-type', 'err'],
  },
  unused: { what: 'Unused files, exports and packages', command: ['knip', '--no-progress'] },
  types: { what: 'Types', command: ['vue-tsc', '-b', '--noEmit'] },
  unit: { what: 'Unit tests', command: ['vitest', 'run'] },
  build: { what: 'Build', prepare: build },
  browser: { what: 'Browser tests', prepare: build, command: ['playwright', 'test'] },
}

const [part, ...rest] = process.argv.slice(2)
if (part === '--help') {
  console.log(`bin/test [PART] [OPTIONS OF ITS RUNNER]: all parts, or one of ${Object.keys(PARTS).join(', ')}.`)
  process.exit(0)
}
if (part && !(part in PARTS)) giveUp(`There is no part “${part}”: take one of ${Object.keys(PARTS).join(', ')}.`)

/** How many tests a runner's closing lines say passed: "Tests  66 passed (66)", "18 passed (3.0m)". */
const passedIn = (output) => Number(/^\s*(?:Tests\s+)?(\d+) passed \(/m.exec(output)?.[1] ?? 0)

/** What the tests write goes here, and away with them. */
const scratch = mkdtempSync(join(tmpdir(), 'jaw-tilt-test-'))
process.on('exit', () => rmSync(scratch, { recursive: true, force: true, maxRetries: 3 }))

// One after the other what fills both cores; before that two rows side by side, one for each.
const rows = part
  ? [[[part]]]
  : [
      [
        ['lint', 'build'],
        ['types', 'rooms', 'unused', 'format'],
      ],
      [['unit']],
      [['browser']],
    ]
let passed = 0
async function runPart(name) {
  const { what, prepare, command } = PARTS[name]
  say(what)
  await prepare?.()
  if (!command) return
  let output = ''
  const env = { NO_COLOR: '1', FORCE_COLOR: undefined, TMPDIR: scratch }
  if ((await run('npx', [...command, ...rest], env, (text) => (output += text))) !== 0) giveUp(`${what}: failed.`)
  passed += passedIn(output)
}
// Both wait for the network more than for this machine.
await Promise.all([install(), rows.flat(2).includes('browser') && chromium()])
for (const sideBySide of rows)
  await Promise.all(
    sideBySide.map(async (row) => {
      for (const name of row) await runPart(name)
    }),
  )
say('All is well')
if (passed > 0) console.log(`${passed} passed, 0 failed`)
