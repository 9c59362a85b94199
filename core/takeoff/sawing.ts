import { lengthMm, z } from '../measure/schema.ts'

/*
 * A cut plan as it lies on boards and sheets: what is drawn, sawn from and, once sawing has begun, kept in the project
 * as it is.
 */

/** A piece on a board: what is written on it; a strip stands for all the labels that are ripped from one length. */
export const boardCut = z.object({
  line: z.string(),
  labels: z.array(z.string()).max(50),
  lengthMm: lengthMm(0, 10_000),
  /** Where it starts on the board, from the raw end. */
  atMm: z.number(),
  /** Width to rip to afterwards; null for a full section. */
  ripMm: z.number().nullable(),
  /** Two strips by each slanting cut, this far from square: both are as wide over their long points as they are ripped to. */
  slantRad: z.number().optional(),
  /** It lies in the slanting end of the piece before: one cut, so far from square, parts them. Both lengths are over long points. */
  lean: z.object({ angleRad: z.number(), deepMm: z.number() }).optional(),
})
export const boardLaid = z.object({
  id: z.string(),
  stockKey: z.string(),
  section: z.string(),
  treated: z.boolean(),
  lengthMm: z.number(),
  cuts: z.array(boardCut).max(500),
  leftoverMm: z.number(),
  /** Piece on hand it is, or null when it is bought. */
  handId: z.string().nullable(),
  /** Where a stretch of a board on hand begins on it; nought for a whole board. */
  fromMm: z.number(),
})
export const sheetCut = z.object({
  line: z.string(),
  label: z.string(),
  xMm: z.number(),
  yMm: z.number(),
  wMm: z.number(),
  hMm: z.number(),
})
export const sheetLaid = z.object({
  id: z.string(),
  stockKey: z.string(),
  sheet: z.string(),
  lengthMm: z.number(),
  widthMm: z.number(),
  cuts: z.array(sheetCut).max(1000),
  usedShare: z.number(),
  handId: z.string().nullable(),
})
export type BoardCut = z.infer<typeof boardCut>
export type BoardLaid = z.infer<typeof boardLaid>
export type SheetCut = z.infer<typeof sheetCut>
export type SheetLaid = z.infer<typeof sheetLaid>

/** What went wrong with a piece, and what is said about it. */
export const MISHAPS = ['miscut', 'bad-wood'] as const
export const sawing = z.object({
  /** The plan that is being cut. */
  boards: z.array(boardLaid).max(2000),
  sheets: z.array(sheetLaid).max(1000),
  /** Pieces lost so far. */
  lost: z.array(z.object({ label: z.string(), why: z.enum(MISHAPS), at: z.iso.datetime() })).max(500),
})
export type Sawing = z.infer<typeof sawing>
