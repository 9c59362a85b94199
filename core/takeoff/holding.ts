/*
 * The largest comes off first, so that what is left in the hand stays large; small ones before the last large one where
 * nothing to hold would be left.
 */

/**
 * @param roomMm what there is to cut from
 * @param smallMm what is smaller is cut while the rest is large enough to hold
 * @param holdMm enough to hold
 */
export function keepingHold<T>(
  things: readonly T[],
  size: (t: T) => number,
  { roomMm, kerfMm, smallMm, holdMm }: { roomMm: number; kerfMm: number; smallMm: number; holdMm: number },
): T[] {
  const sorted = [...things].sort((a, b) => size(b) - size(a))
  const left = roomMm - things.reduce((n, t) => n + size(t) + kerfMm, 0)
  const small = sorted.filter((t) => size(t) < smallMm)
  const large = sorted.filter((t) => size(t) >= smallMm)
  return small.length === 0 || large.length === 0 || left >= holdMm
    ? sorted
    : [...large.slice(0, -1), ...small, large[large.length - 1]]
}
