import type { Assembly } from '../assembly/assembly.ts'
import type { PartBoxes } from '../assembly/part-box.ts'
import type { Settings } from '../assembly/settings.ts'
import type { Conflict, Neighbour } from '../clearance/conflicts.ts'
import type { KeepOut } from '../clearance/keep-outs.ts'
import type { BuildSolids, Frame } from '../clearance/placing.ts'
import type { Unit } from '../clearance/tied.ts'
import type { Goods } from '../goods/goods.ts'
import type { DesignMethod } from '../mechanics/methods/method.ts'
import type { Outline } from '../room/outline.ts'
import type { Room } from '../room/room.ts'
import type { CheckResult } from './check.ts'

/** Another build of the room, as it stands there and as it was judged by itself. */
export interface OtherBuild {
  id: string
  name: string
  frame: Frame
  assembly: Assembly
  checks: readonly CheckResult[]
}

/** Everything a check of a build in its room may ask for; each declares what it reads and gets only that. */
export interface RoomContext {
  room: Room
  outline: Outline
  frame: Frame
  assembly: Assembly
  boxes: PartBoxes
  solids: BuildSolids
  neighbours: readonly Neighbour[]
  /** What was found of it by itself, and all other builds. */
  checks: readonly CheckResult[]
  others: readonly OtherBuild[]
  keeps: readonly KeepOut[]
  settings: Settings
  /** What stands in it, and all goods there are. */
  goods: ReadonlyMap<string, Goods>
  everything: ReadonlyMap<string, Goods>
  conflicts: readonly Conflict[]
  /** It and all that is tied to it, itself first. */
  group: readonly Unit[]
  /** How each of them is kept from folding sideways when it stands alone. */
  swayAlone: ReadonlyMap<string, readonly CheckResult[]>
  method: DesignMethod
}

export interface AnyRoomCheck {
  id: string
  reads: readonly (keyof RoomContext)[]
  run(c: RoomContext): CheckResult[]
}

/** Ties a check of a build in its room to what it reads. */
export const defineRoomCheck = <K extends keyof RoomContext>(c: {
  id: string
  reads: readonly K[]
  run(c: Pick<RoomContext, K>): CheckResult[]
}): AnyRoomCheck => ({
  id: c.id,
  reads: c.reads,
  run: (all) => c.run(Object.fromEntries(c.reads.map((k) => [k, all[k]])) as Pick<RoomContext, K>),
})
