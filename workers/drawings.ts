import * as Comlink from 'comlink'
import type { Assembly } from '../core/assembly/assembly.ts'
import { drawIso, type IsoOptions } from '../core/drawing/iso.ts'
import { roomModel } from '../core/drawing/room-model.ts'
import type { Scene } from '../core/drawing/scene.ts'
import { buildModel, type Shown, type SpaceModel } from '../core/drawing/space-model.ts'
import type { Goods } from '../core/goods/goods.ts'
import { outline } from '../core/room/outline.ts'
import type { Room } from '../core/room/room.ts'

/** Numbers go over as they are, without a copy. */
const handed = (m: SpaceModel): SpaceModel =>
  Comlink.transfer(
    m,
    m.lots.flatMap((l) =>
      [l.positions, l.normals, l.own, l.faces, l.owners, l.triangles, l.rough, l.edges, l.edgeOwners].map(
        (a) => a.buffer,
      ),
    ),
  )

/** Drawings in space, made beside the interface. */
const drawings = {
  iso(a: Assembly, o: IsoOptions): Scene {
    return drawIso(a, o)
  },
  build(id: string, a: Assembly, goods: ReadonlyMap<string, Goods> | null): SpaceModel {
    return handed(buildModel(id, a, goods))
  },
  room(room: Room, builds: readonly Shown[], goods: ReadonlyMap<string, Goods> | null): SpaceModel {
    return handed(roomModel(room, outline(room), builds, goods))
  },
}
export type Drawings = typeof drawings

Comlink.expose(drawings)
