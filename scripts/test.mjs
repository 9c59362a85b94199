// npm test: types, lint, unit tests, size of the first screen, journeys in Chromium. Last line: N passed, N failed.
import { spawn } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { constants, setPriority } from 'node:os'
import { groupUnits } from './unit-groups.mjs'

mkdirSync('test-results', { recursive: true })
for (const f of ['test-results/unit.json', 'test-results/e2e.json']) rmSync(f, { force: true })
let passed = 0
let failed = 0
const node = process.execPath
const run = (name, args) => {
  process.stdout.write(`\n== ${name}\n`)
  return new Promise((done) => {
    const child = spawn(node, args, { stdio: ['ignore', 'inherit', 'inherit'] })
    child.on('close', (code) => done(code === 0))
  })
}
/** What says yes or no as a whole, each told when it is done. Server and command line were just built. */
const first = [
  ['types: core', ['node_modules/typescript/bin/tsc', '-p', 'core']],
  ['types: application', ['node_modules/vue-tsc/bin/vue-tsc.js', '-p', 'tsconfig.app.json']],
  ['types: tests', ['node_modules/typescript/bin/tsc', '-p', 'tsconfig.test.json']],
  ['size of the first screen', ['scripts/size.mjs']],
]
/** Journeys wait for a fifth of their time: these are done meanwhile, and take no more than that. */
const meanwhile = [
  ['format', ['node_modules/prettier/bin/prettier.cjs', '--check', '.', '--log-level', 'warn']],
  ['lint', ['node_modules/eslint/bin/eslint.js', '.', '--max-warnings', '0']],
]
const whole = ([name, args], priority) =>
  new Promise((done) => {
    const said = []
    const child = spawn(node, args, { stdio: ['ignore', 'pipe', 'pipe'] })
    if (priority !== undefined) setPriority(child.pid, priority)
    for (const out of [child.stdout, child.stderr]) out.on('data', (d) => said.push(d))
    child.on('close', (code) => {
      process.stdout.write(`\n== ${name}\n${Buffer.concat(said)}`)
      if (code === 0) passed++
      else failed++
      done()
    })
  })
/** So many at a time. */
const all = (waiting, atOnce, priority) =>
  Promise.all(
    Array.from({ length: atOnce }, async () => {
      for (let next = waiting.shift(); next; next = waiting.shift()) await whole(next, priority)
    }),
  )
await all(first, 2)

groupUnits('test-results/units')
const unit = await run('unit tests', [
  '--experimental-vm-modules',
  '--no-warnings',
  'node_modules/jest/bin/jest.js',
  '--config',
  'jest.all.config.mjs',
  '--json',
  '--outputFile=test-results/unit.json',
])
if (existsSync('test-results/unit.json')) {
  const r = JSON.parse(readFileSync('test-results/unit.json', 'utf8'))
  passed += r.numPassedTests
  failed += r.numFailedTests + r.numRuntimeErrorTestSuites
} else if (!unit) failed++

const beside = all(meanwhile, 1, constants.priority.PRIORITY_LOW)
const e2e = await run('journeys', ['node_modules/@playwright/test/cli.js', 'test'])
await beside
if (existsSync('test-results/e2e.json')) {
  const { stats } = JSON.parse(readFileSync('test-results/e2e.json', 'utf8'))
  passed += stats.expected + stats.flaky
  failed += stats.unexpected
  if (!e2e && stats.unexpected === 0) failed++
} else failed++

process.stdout.write(`\n${passed} passed, ${failed} failed\n`)
process.exit(failed > 0 || !unit ? 1 : 0)
