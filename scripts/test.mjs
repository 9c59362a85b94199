// npm test: types, lint, unit tests, size of the first screen, journeys in Chromium. Last line: N passed, N failed.
import { spawn, spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { groupUnits } from './unit-groups.mjs'

mkdirSync('test-results', { recursive: true })
for (const f of ['test-results/unit.json', 'test-results/e2e.json']) rmSync(f, { force: true })
let passed = 0
let failed = 0
const node = process.execPath
const run = (name, args) => {
  process.stdout.write(`\n== ${name}\n`)
  return spawnSync(node, args, { stdio: ['ignore', 'inherit', 'inherit'] }).status === 0
}
/** What says yes or no as a whole: two at a time, each told when it is done. Server and command line were just built. */
const wholes = [
  ['types: core', ['node_modules/typescript/bin/tsc', '-p', 'core']],
  ['types: application', ['node_modules/vue-tsc/bin/vue-tsc.js', '-p', 'tsconfig.app.json']],
  ['types: tests', ['node_modules/typescript/bin/tsc', '-p', 'tsconfig.test.json']],
  ['format', ['node_modules/prettier/bin/prettier.cjs', '--check', '.', '--log-level', 'warn']],
  ['lint', ['node_modules/eslint/bin/eslint.js', '.', '--max-warnings', '0']],
  ['size of the first screen', ['scripts/size.mjs']],
]
const whole = ([name, args]) =>
  new Promise((done) => {
    const said = []
    const child = spawn(node, args, { stdio: ['ignore', 'pipe', 'pipe'] })
    for (const out of [child.stdout, child.stderr]) out.on('data', (d) => said.push(d))
    child.on('close', (code) => {
      process.stdout.write(`\n== ${name}\n${Buffer.concat(said)}`)
      if (code === 0) passed++
      else failed++
      done()
    })
  })
const waiting = [...wholes]
await Promise.all(
  [0, 1].map(async () => {
    for (let next = waiting.shift(); next; next = waiting.shift()) await whole(next)
  }),
)

groupUnits('test-results/units')
const unit = run('unit tests', [
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

const e2e = run('journeys', ['node_modules/@playwright/test/cli.js', 'test'])
if (existsSync('test-results/e2e.json')) {
  const { stats } = JSON.parse(readFileSync('test-results/e2e.json', 'utf8'))
  passed += stats.expected + stats.flaky
  failed += stats.unexpected
  if (!e2e && stats.unexpected === 0) failed++
} else failed++

process.stdout.write(`\n${passed} passed, ${failed} failed\n`)
process.exit(failed > 0 || !unit ? 1 : 0)
