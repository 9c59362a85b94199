// Makes sure what a command needs is there: packages, the build, and for tests a Chromium. Built-in modules only.
import { spawn } from 'node:child_process'
import { existsSync, readdirSync, statSync, utimesSync } from 'node:fs'
import { join } from 'node:path'
import { findChromium, HEADLESS } from './chromium.mjs'

const goal = process.argv[2] ?? 'start'
const say = (text) => process.stderr.write(`${text}\n`)

/** Runs a command; its output is this one's. @returns whether it went well */
const run = (command, args, options = {}) =>
  new Promise((done) => {
    const child = spawn(command, args, { stdio: ['ignore', 2, 2], ...options })
    child.on('error', () => done(false))
    child.on('close', (code) => done(code === 0))
  })
async function must(command, args) {
  if (await run(command, args)) return
  say(`${command} ${args.join(' ')} failed.`)
  process.exit(1)
}
const mtime = (path) => (existsSync(path) ? statSync(path).mtimeMs : 0)

/** Latest change of any file below these places. */
function newest(places) {
  let latest = 0
  const walk = (path) => {
    const s = statSync(path)
    if (s.isDirectory()) for (const name of readdirSync(path)) walk(join(path, name))
    else latest = Math.max(latest, s.mtimeMs)
  }
  for (const p of places) if (existsSync(p)) walk(p)
  return latest
}

async function packages() {
  if (mtime('node_modules/.package-lock.json') >= mtime('package-lock.json')) return
  say('Installing packages …')
  await must(process.platform === 'win32' ? 'npm.cmd' : 'npm', ['ci', '--no-audit', '--no-fund'])
}

async function coreAndServer() {
  const places = ['core', 'server', 'cli', 'demo', 'tsconfig.base.json', 'tsconfig.node.json', 'package-lock.json']
  const server = 'build/server/index.js'
  if (mtime(server) >= newest(places)) return
  say('Building the core and the server …')
  // A stale incremental record would make the compiler skip files that a deleted build needs.
  const whole = existsSync('build') ? [] : ['--incremental', 'false']
  await must(process.execPath, ['node_modules/typescript/bin/tsc', '-p', 'tsconfig.node.json', ...whole])
  utimesSync(server, new Date(), new Date())
}

async function application() {
  const places = ['core', 'workers', 'app', 'demo', 'index.html', 'vite.config.ts', 'package-lock.json']
  if (mtime('dist/index.html') >= newest(places)) return
  say('Building the application …')
  await must(process.execPath, ['node_modules/vite/bin/vite.js', 'build', '--logLevel', 'warn'])
}

async function chromium() {
  if (existsSync(process.env.CHROMIUM || HEADLESS)) return
  say('Installing Chromium …')
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
  const install = (name) => run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', name], { env })
  await run('apt-get', ['update', '-qq'])
  // Where there is none without a window, the whole one does.
  if ((await install('chromium-headless-shell')) || findChromium() || (await install('chromium'))) return
  say('No Chromium could be installed.')
  process.exit(1)
}

// What needs nothing of each other is done at once.
const browser = goal === 'test' ? chromium() : null
await packages()
await Promise.all([coreAndServer(), goal === 'node' ? null : application()])
await browser
