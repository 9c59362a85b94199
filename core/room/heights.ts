import { SAME_LENGTH_MM } from '../measure/rounding.ts'
import type { Room } from './room.ts'

/*
 * Walls go up to the ceiling until somebody says otherwise, and none is higher than it: what is measured of one is true
 * of the other. Before, a higher ceiling alone left builds as low as the wall was guessed to be.
 */

/** Sets the height of the ceiling; walls that went up to it still do, and none is higher. */
export function setCeilingHeight(room: Room, heightMm: number): void {
  const before = room.ceiling.heightMm
  for (const w of room.walls)
    if (Math.abs(w.heightMm - before) <= SAME_LENGTH_MM || w.heightMm > heightMm) w.heightMm = heightMm
  room.ceiling.heightMm = heightMm
}

/** Sets the height of a wall; a ceiling that would be lower than it is as high. */
export function setWallHeight(room: Room, wallId: string, heightMm: number): void {
  if (heightMm > room.ceiling.heightMm) setCeilingHeight(room, heightMm)
  for (const w of room.walls) if (w.id === wallId) w.heightMm = heightMm
}
