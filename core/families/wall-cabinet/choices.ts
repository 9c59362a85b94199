import type { Choice, ShapeContext } from '../family.ts'
import { SCREWS, type WallCabinetParams } from './parameters.ts'

const LISTS = {
  imperial: {
    sheets: ['ply-15/32', 'ply-19/32', 'ply-23/32', 'mdf-5/8', 'mdf-3/4', 'pb-3/4', 'lc-3/4'],
    backs: ['hb-1/4', 'ply-15/32', 'ply-23/32'],
    sections: ['1x3', '1x4', '1x6', '2x3', '2x4'],
  },
  metric: {
    sheets: ['ply-12mm', 'ply-15mm', 'ply-18mm', 'ply-21mm', 'mdf-16mm', 'mdf-18mm', 'pb-18mm', 'lc-18mm'],
    backs: ['hb-6mm', 'ply-12mm', 'ply-18mm'],
    sections: ['18x69mm', '18x94mm', '38x63mm', '38x89mm'],
  },
} as const

/** What a wall cabinet is made of and how, beside its measures. */
export function choices(p: WallCabinetParams, ctx: ShapeContext): Choice[] {
  const { sheets, backs, sections } = LISTS[ctx.settings.yard]
  const coded = (path: keyof WallCabinetParams & Choice['path'], code: string, options: readonly string[]): Choice => ({
    path,
    code,
    value: p[path] as string,
    options: [...options],
    of: 'code',
  })
  return [
    { path: 'sheet', code: 'sheet', value: p.sheet, options: [...sheets, ...ctx.settings.ownSheets], of: 'sheet' },
    { path: 'backSheet', code: 'back-sheet', value: p.backSheet, options: [...backs], of: 'sheet' },
    coded('corner', 'corner', ['rabbet', 'dado', 'butt']),
    coded('shelfHold', 'shelf-hold', ['dado', 'butt', 'pins']),
    coded('front', 'front', ['open', 'doors', 'sliding', 'lift-up', 'deep-doors', 'pivots', 'panel', 'curtain']),
    ...(p.front === 'doors' || p.front === 'deep-doors' ? [coded('latch', 'latch', ['magnet', 'none'])] : []),
    coded('hang', 'hang', ['strip', 'two-strips', 'rail']),
    { path: 'railSection', code: 'hang-rail', value: p.railSection, options: [...sections], of: 'section' },
    coded('railScrews', 'rail-screws', ['two', 'three']),
    coded('wallScrews', 'wall-screws', Object.keys(SCREWS)),
  ]
}
