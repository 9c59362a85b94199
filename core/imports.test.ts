import { expect, it } from '@jest/globals'
import { readdirSync, readFileSync, statSync } from 'node:fs'
import { dirname, join, normalize, relative } from 'node:path'

/** Who may import whom, folder by folder: everything else is wrong. */
const WOOD = ['measure', 'geometry', 'catalogue', 'goods', 'room', 'assembly']
const MAY: Record<string, string[]> = {
  measure: [],
  geometry: ['measure'],
  catalogue: ['measure'],
  goods: ['measure', 'geometry', 'catalogue'],
  room: ['measure', 'geometry'],
  assembly: ['measure', 'geometry', 'catalogue', 'goods', 'room'],
  edits: ['measure'],
  cutting: ['measure'],
  mechanics: ['measure', 'catalogue'],
  steps: ['measure', 'catalogue', 'assembly'],
  clearance: WOOD,
  loads: [...WOOD, 'mechanics'],
  blocks: [...WOOD, 'steps', 'families/family.ts', 'mechanics/hung.ts', 'mechanics/gas-spring.ts'],
  families: [...WOOD, 'steps', 'blocks'],
  checks: [...WOOD, 'loads', 'mechanics', 'clearance', 'families/family.ts'],
  drawing: [...WOOD, 'clearance', 'families/family.ts'],
  takeoff: [...WOOD, 'cutting', 'wording/names.ts'],
  wording: [
    ...WOOD,
    'checks',
    'families/family.ts',
    'families/dim-pen.ts',
    'families/all-words.ts',
    'drawing/joint-detail.ts',
    'drawing/setting-out.ts',
    'steps',
    'planner/trade.ts',
    'planner/help.ts',
    'planner/ill-placed.ts',
    'takeoff/batch-lines.ts',
    'takeoff/cut-order.ts',
    'cutting/format.ts',
  ],
  planner: [...WOOD, 'checks', 'clearance', 'families', 'project', 'steps', 'takeoff'],
  project: [
    ...WOOD,
    'checks',
    'clearance',
    'cutting',
    'drawing',
    'edits',
    'families',
    'loads',
    'mechanics',
    'steps',
    'takeoff',
    'wording',
  ],
}
/** Only these packages may stand in the core. */
const PACKAGES: Record<string, string[]> = {
  zod: ['measure/schema.ts', 'families/family.ts'],
  pluralize: ['wording/things.ts'],
  earcut: ['geometry/pieces.ts', 'drawing/mesh.ts'],
  'polygon-clipping': ['drawing/mesh.ts', 'drawing/joint-detail.ts'],
}

const files = (dir: string): string[] =>
  readdirSync(dir).flatMap((f) => (statSync(join(dir, f)).isDirectory() ? files(join(dir, f)) : [join(dir, f)]))
const sources = files('core')
  .filter((f) => f.endsWith('.ts') && !f.endsWith('.test.ts'))
  .map((f) => relative('core', f))

const imports = (file: string) =>
  [...readFileSync(join('core', file), 'utf8').matchAll(/^(?:import|export)[^'"]*?from\s+'([^']+)'/gm)].map((m) => m[1])

/** Words stand beside the kind they belong to, and may ask the wording what it may ask itself, and their own kind. */
const isWords = (file: string) => /(^|[-/])words\.ts$/.test(file)

function wrong(file: string): string[] {
  const folder = file.split('/')[0]
  return imports(file).flatMap((target) => {
    if (!target.startsWith('.')) return PACKAGES[target]?.includes(file) ? [] : [`${file}: package ${target}`]
    const path = normalize(join(dirname(file), target))
    if (path.startsWith('..')) return [`${file}: leaves the core for ${target}`]
    const to = path.split('/')[0]
    if (to === folder) return []
    const may = isWords(file) ? [...MAY.wording, 'wording', folder] : MAY[folder]
    return (may ?? []).some((m) => m === to || m === path) ? [] : [`${file} imports ${path}`]
  })
}

it('the core imports only what the architecture allows', () => {
  expect(sources.length).toBeGreaterThan(80)
  expect(sources.flatMap(wrong)).toEqual([])
})
it('only the registry knows the families, only the project and the planner know the registry', () => {
  const family = /^families\/[^/]+\//
  const into = (file: string) =>
    imports(file)
      .filter((t) => t.startsWith('.'))
      .map((t) => normalize(join(dirname(file), t)))
  const outside = sources.filter((f) => !family.test(f))
  expect(outside.filter((f) => into(f).some((t) => family.test(t)))).toEqual([
    'families/all-words.ts',
    'families/all.ts',
  ])
  // Words are no more than words.
  expect(into('families/all-words.ts').every((t) => isWords(t) || t.startsWith('wording/'))).toBe(true)
  expect(sources.filter((f) => into(f).includes('families/all.ts'))).toEqual(['families/registry.ts'])
  const asking = sources.filter((f) => into(f).includes('families/registry.ts'))
  expect(asking.filter((f) => !f.startsWith('project/') && !f.startsWith('planner/'))).toEqual([])
})
