// Makes sure what a command needs is there: packages, the build, and for tests a Chromium. Built-in modules only.
import { spawnSync } from 'node:child_process'
import { existsSync, readdirSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { findChromium, HEADLESS } from './chromium.mjs'

const goal = process.argv[2] ?? 'start'
const say = (text) => process.stderr.write(`${text}\n`)

function run(command, args, options = {}) {
  const done = spawnSync(command, args, { stdio: ['ignore', 2, 2], ...options })
  if (done.status !== 0) {
    say(`${command} ${args.join(' ')} failed.`)
    process.exit(done.status ?? 1)
  }
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

const npm = process.platform === 'win32' ? 'npm.cmd' : 'npm'
const installed = 'node_modules/.package-lock.json'
if (mtime(installed) < mtime('package-lock.json')) {
  say('Installing packages …')
  run(npm, ['ci', '--no-audit', '--no-fund'])
}
const node = ['core', 'server', 'cli', 'demo', 'tsconfig.base.json', 'tsconfig.node.json', 'package-lock.json']
if (mtime('build/server/index.js') < newest(node)) {
  say('Building the core and the server …')
  // A stale incremental record would make the compiler skip files that a deleted build needs.
  run(process.execPath, [
    'node_modules/typescript/bin/tsc',
    '-p',
    'tsconfig.node.json',
    ...(existsSync('build') ? [] : ['--incremental', 'false']),
  ])
  run(process.execPath, [
    '-e',
    "for (const f of ['build/server/index.js']) require('fs').utimesSync(f, new Date(), new Date())",
  ])
}
if (goal !== 'node') {
  const app = ['core', 'workers', 'app', 'demo', 'index.html', 'vite.config.ts', 'package-lock.json']
  if (mtime('dist/index.html') < newest(app)) {
    say('Building the application …')
    run(process.execPath, ['node_modules/vite/bin/vite.js', 'build', '--logLevel', 'warn'])
  }
}
if (goal === 'test' && !existsSync(process.env.CHROMIUM || HEADLESS)) {
  say('Installing Chromium …')
  const install = (name) =>
    spawnSync('apt-get', ['install', '-y', '-qq', '--no-install-recommends', name], {
      stdio: ['ignore', 2, 2],
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    }).status === 0
  spawnSync('apt-get', ['update', '-qq'], { stdio: ['ignore', 2, 2] })
  // Where there is none without a window, the whole one does.
  if (!install('chromium-headless-shell') && !findChromium() && !install('chromium')) {
    say('No Chromium could be installed.')
    process.exit(1)
  }
}
