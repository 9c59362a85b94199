/*
 * The strength of a dowel between two pieces from statics alone: in each piece a force P across the joint needs a
 * moment at the face between them, and the piece can give so much at most. The joint holds the largest P for which both
 * together give enough: (As + Am)·P² + (Bs + Bm)·P + (Cs + Cm) = 0. Nothing here comes from the closed yield equations
 * it is compared with.
 */

export interface DowelPiece {
  lengthMm: number
  bearingMpa: number
}
export interface Dowel {
  diameterMm: number
  momentNmm: number
  side: DowelPiece
  main: DowelPiece
}

interface Terms {
  a: number
  b: number
  c: number
}
/** The dowel stays straight in a piece and turns in it. */
const turning = (p: DowelPiece, d: number): Terms => {
  const q = p.bearingMpa * d
  return { a: 1 / (4 * q), b: p.lengthMm / 2, c: (-q * p.lengthMm ** 2) / 4 }
}
/** It bends in the piece, where the shear is nought. */
const bending = (p: DowelPiece, d: number, moment: number): Terms => ({
  a: 1 / (2 * p.bearingMpa * d),
  b: 0,
  c: -moment,
})

const largest = (x: Terms, y: Terms): number => {
  const [a, b, c] = [x.a + y.a, x.b + y.b, x.c + y.c]
  return (-b + Math.sqrt(b * b - 4 * a * c)) / (2 * a)
}

/** All six ways to give, N, without any factor of safety. */
export function referenceDowel({ diameterMm: d, momentNmm, side, main }: Dowel) {
  const [st, mt] = [turning(side, d), turning(main, d)]
  const [sb, mb] = [bending(side, d, momentNmm), bending(main, d, momentNmm)]
  return {
    Im: main.bearingMpa * d * main.lengthMm,
    Is: side.bearingMpa * d * side.lengthMm,
    II: largest(st, mt),
    IIIm: largest(sb, mt),
    IIIs: largest(st, mb),
    IV: largest(sb, mb),
  }
}
