import type { Part } from './assembly.ts'
import { soldAs } from './identical.ts'

const scribe = (p: Part, edges: string[]) =>
  p.machining.reduce((sum, m) => sum + (m.kind === 'scribe' && edges.includes(m.edge) ? m.allowanceMm : 0), 0)

/**
 * What a piece is sawn to, mm: its finished size and what is left on for scribing. A strip may lie in a build either way:
 * it is sawn out of the face of its sheet.
 */
export function cutSize(p: Part): { lengthMm: number; widthMm: number } {
  const widthMm = p.size.widthMm + scribe(p, ['low', 'high'])
  return {
    lengthMm: p.size.lengthMm + scribe(p, ['start', 'end']),
    widthMm: soldAs(p.stock) === p.stock ? widthMm : Math.max(widthMm, p.size.thicknessMm),
  }
}
