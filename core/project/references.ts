import type { Project } from './project.ts'

/**
 * What a project points to and does not have: builds, things and readings at walls that are gone, goods that were taken
 * away.
 * @returns one entry for each pointer that leads nowhere, `where>to`
 */
export function dangling(p: Project): Set<string> {
  const walls = new Set(p.room.walls.map((w) => w.id))
  const goods = new Set(p.goods.map((g) => g.id))
  const builds = new Set(p.builds.map((b) => b.id))
  const out = new Set<string>()
  const look = (where: string, to: string | null | undefined, among: ReadonlySet<string>) => {
    if (to && !among.has(to)) out.add(`${where}>${to}`)
  }
  for (const b of p.builds) {
    look(`build ${b.id}`, b.wallId, walls)
    for (const g of b.goods) look(`build ${b.id}`, g.goodsId, goods)
    look(`build ${b.id}`, b.standsOn, builds)
    for (const t of b.tiedTo) look(`build ${b.id}`, t, builds)
  }
  for (const f of p.room.features) look(`thing ${f.id}`, f.wallId, walls)
  for (const d of p.room.diagonals) for (const w of [d.fromWallId, d.toWallId]) look(`diagonal ${d.id}`, w, walls)
  for (const f of p.room.floor.points) look(`floor ${f.atMm}/${f.outMm}`, f.wallId, walls)
  look('ceiling', p.room.ceiling.alongWallId, walls)
  look('slope', p.room.ceiling.slope?.wallId, walls)
  return out
}
