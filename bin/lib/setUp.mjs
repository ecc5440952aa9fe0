import { spawn, spawnSync } from 'node:child_process'
import { existsSync, readdirSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'

export const root = fileURLToPath(new URL('../..', import.meta.url))
const inProject = (...path) => join(root, ...path)

/** What a build is made of. */
const SOURCES = ['app', 'core', 'server', 'public', 'nuxt.config.ts', 'package-lock.json']

export const say = (text) => console.log(`» ${text}`)

/** Says why in one line and ends. */
export function giveUp(why) {
  console.error(why)
  process.exit(1)
}

/** Runs a command in the project with its output shown (and heard by `listen`, text by text); answers its exit code. */
export function run(command, args, env = {}, listen = null) {
  return new Promise((resolve) => {
    const child = spawn(command, args, {
      cwd: root,
      stdio: ['inherit', listen ? 'pipe' : 'inherit', 'inherit'],
      env: { ...process.env, NUXT_TELEMETRY_DISABLED: '1', ...env },
    })
    child.stdout?.on('data', (text) => {
      process.stdout.write(text)
      listen(String(text))
    })
    child.on('error', () => resolve(127))
    child.on('close', (code, signal) => resolve(signal ? 1 : code))
  })
}

const changed = (path) => (existsSync(path) ? statSync(path).mtimeMs : 0)

function newest(path) {
  if (!existsSync(path)) return 0
  const stat = statSync(path)
  if (!stat.isDirectory()) return stat.mtimeMs
  return Math.max(stat.mtimeMs, ...readdirSync(path).map((name) => newest(join(path, name))), 0)
}

/** Whether lint and types have what they read. */
const isPrepared = () => existsSync(inProject('.nuxt/tsconfig.json'))

/** Installs the packages of the lock file where they are missing or older than it; `toRun`: those that running needs. */
export async function install({ toRun = false } = {}) {
  const isCurrent = changed(inProject('node_modules/.package-lock.json')) >= changed(inProject('package-lock.json'))
  const isWhole = existsSync(inProject('node_modules/vitest')) && isPrepared()
  if (isCurrent && (toRun || isWhole)) return
  say(
    `Installing ${toRun ? 'the packages that running needs (once; about 40 s)' : 'the packages (once; a minute or two)'}`,
  )
  const which = toRun ? ['--omit=dev', '--ignore-scripts'] : []
  if ((await run('npm', ['ci', ...which, '--no-audit', '--no-fund', '--loglevel=error'])) !== 0)
    giveUp('The packages could not be installed: npm ci failed.')
}

/** Builds when there is no build, or it is older than the sources. */
export async function build() {
  const built = changed(inProject('.output/nitro.json'))
  if (built > 0 && SOURCES.every((path) => newest(inProject(path)) <= built)) return
  say('Building the application (about a minute)')
  // What lint and types read stays as it is; where it is not there yet, the build itself makes it.
  const aside = isPrepared() ? { JAW_TILT_BUILD_FOLDER: 'node_modules/.cache/build' } : {}
  if ((await run('npx', ['nuxt', 'build'], aside)) !== 0) giveUp('The build failed; the lines above say why.')
}

/** The headless shell needs a fifth less of the processor: it comes first. */
const CHROMIUM = ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium', '/usr/bin/chromium-browser']
export const chromiumPath = () => process.env.CHROMIUM_PATH || CHROMIUM.find((path) => existsSync(path))

/** Debian's Chromium for the browser tests: installed where it is missing and this user may. */
export async function chromium() {
  if (chromiumPath()) return
  if (process.getuid?.() === 0 && spawnSync('which', ['apt-get']).status === 0) {
    say('Installing Chromium for the browser tests')
    const apt = async (...args) => (await run('apt-get', args, { DEBIAN_FRONTEND: 'noninteractive' })) === 0
    const added = (name) => apt('install', '-y', '-qq', '--no-install-recommends', name)
    if (await apt('update', '-qq')) (await added('chromium-headless-shell')) || (await added('chromium'))
    if (chromiumPath()) return
  }
  giveUp(
    'The browser tests need Chromium: install it with “sudo apt-get install chromium”, or name it in CHROMIUM_PATH.',
  )
}
