import type { Part } from './assembly.ts'

const scribe = (p: Part, edges: string[]) =>
  p.machining.reduce((sum, m) => sum + (m.kind === 'scribe' && edges.includes(m.edge) ? m.allowanceMm : 0), 0)

/** What a piece is sawn to, mm: its finished size and what is left on for scribing. */
export const cutSize = (p: Part): { lengthMm: number; widthMm: number } => ({
  lengthMm: p.size.lengthMm + scribe(p, ['start', 'end']),
  widthMm: p.size.widthMm + scribe(p, ['low', 'high']),
})
