import type { SettingOut } from '../drawing/setting-out.ts'
import { plural, type Say } from './say.ts'

/** What is marked, in the order it is marked: the line first, then row by row from the corner. */
export function saySettingOut(s: SettingOut, corner: string, say: Say): string[] {
  const count = s.rows.reduce((n, r) => n + r.marks.length, 0)
  const what = s.what === 'holes' ? 'hole' : 'fixing'
  const line =
    s.on === 'wall'
      ? `One level line ${say.length(s.levelMm)} above the floor. From ${corner}:`
      : `Seen from below, the wall at the lower edge. From ${corner}, and out from the wall:`
  const bore = s.boreMm === null ? '' : `, ${say.drill(s.boreMm)} each`
  const places = (r: SettingOut['rows'][number]) => r.marks.map((m) => `${m.n} at ${say.length(m.atMm)}`).join(', ')
  const where = (mm: number) =>
    s.on === 'ceiling' ? `${say.length(mm)} out` : mm < 1 ? 'On the line' : `${say.length(mm)} above the line`
  return [`${plural(count, what)}${bore}. ${line}`, ...s.rows.map((r) => `${where(r.awayMm)}: ${places(r)}.`)]
}
