import type { Cut2dInstance } from '../core/cutting/format.ts'

/** A small instance of sheets in whole units: one size of sheet of 100 by 60 at 10, no kerf, no trim, unless said otherwise. */
export const sheetInstance = (over: Partial<Cut2dInstance>): Cut2dInstance => ({
  format: 'cut2d-instance',
  version: 1,
  name: 'x',
  unit: '1',
  kerf: 0,
  trim: 0,
  maxStages: null,
  parts: [],
  stock: [{ id: 's', w: 100, h: 60, price: 10, available: null, offcut: false }],
  ...over,
})
