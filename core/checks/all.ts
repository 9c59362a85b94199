import { along } from './along.ts'
import { anchors } from './anchors.ts'
import { bodies } from './bodies.ts'
import type { AnyCheck } from './check.ts'
import { bearing } from './bearing.ts'
import { gasSprings } from './gas-springs.ts'
import { comesOut } from './comes-out.ts'
import { contentsFit } from './contents-fit.ts'
import { damp } from './damp.ts'
import { equilibrium } from './equilibrium.ts'
import { floorBearing } from './floor.ts'
import { heaviestLift, tiltUp } from './handling.ts'
import { housings, joints } from './joints.ts'
import { leanedOn } from './leaned-on.ts'
import { drawnOutDrawers } from './drawn-out.ts'
import { ledge } from './ledge.ts'
import { leaning } from './leaning.ts'
import { lying } from './lying.ts'
import { bending, edgeStrip, sag, shear } from './members.ts'
import { postBuckling, uprights } from './posts.ts'
import { hinges } from './hinges.ts'
import { inCourses } from './courses.ts'
import { hookedPanel } from './hooked-panel.ts'
import { joists } from './joists.ts'
import { onPosts } from './on-posts.ts'
import { partitions } from './partitions.ts'
import { pins } from './pins.ts'
import { pullOpen } from './pull-open.ts'
import { pushed } from './pushed.ts'
import { ratings } from './ratings.ts'
import { onSlides } from './on-slides.ts'
import { ownSweep } from './own-sweep.ts'
import { rods } from './rods.ts'
import { roomFit } from './room-fit.ts'
import { earthquake } from './seismic.ts'
import { sockets } from './sockets.ts'
import { slides } from './slides.ts'
import { splitting } from './splitting.ts'
import { fromStock } from './stock.ts'
import { slenderness, tipOver } from './stability.ts'
import { stripMetre } from './strip-metre.ts'
import { sway } from './sway.ts'
import { tubes } from './tubes.ts'
import { usable } from './usable-faces.ts'

/** Every check there is, in the order of the chain from goods to ground. A new one is its file and one line here. */
export const CHECKS: readonly AnyCheck[] = [
  contentsFit,
  comesOut,
  lying,
  leanedOn,
  partitions,
  hookedPanel,
  bending,
  edgeStrip,
  shear,
  ledge,
  along,
  rods,
  tubes,
  sag,
  damp,
  leaning,
  pushed,
  joints,
  onPosts,
  splitting,
  housings,
  pins,
  drawnOutDrawers,
  onSlides,
  sockets,
  ratings,
  postBuckling,
  uprights,
  bearing,
  bodies,
  hinges,
  gasSprings,
  ownSweep,
  slides,
  anchors,
  inCourses,
  stripMetre,
  usable,
  joists,
  floorBearing,
  equilibrium,
  slenderness,
  tipOver,
  sway,
  earthquake,
  roomFit,
  fromStock,
  tiltUp,
  heaviestLift,
  pullOpen,
]
