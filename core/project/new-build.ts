import { findFamily } from '../families/registry.ts'
import type { Build } from './project.ts'

/** A build standing straight at the left end of its wall unless said otherwise. */
export const newBuild = (given: Pick<Build, 'id' | 'family' | 'params' | 'wallId'> & Partial<Build>): Build => ({
  name: '',
  offsetMm: 0,
  outMm: 0,
  turn: findFamily(given.family)?.turn ?? 0,
  mirrored: false,
  tiedTo: [],
  standsOn: null,
  goods: [],
  paramsVersion: findFamily(given.family)?.version ?? 1,
  ...given,
})
