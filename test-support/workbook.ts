import { strToU8, zipSync } from 'fflate'

const HEAD = '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>'
const OFFICE = 'http://schemas.openxmlformats.org/officeDocument/2006'
const MAIN = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main'
const PACKAGE = 'http://schemas.openxmlformats.org/package/2006'
const escaped = (text: string) => text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/"/g, '&quot;')

type Rows = readonly (readonly (string | number | null)[])[]

/** The smallest workbook a spreadsheet opens (ECMA-376): sheets of texts and numbers, the first named Goods. */
export function workbook(first: Rows, more: Readonly<Record<string, Rows>> = {}): Uint8Array<ArrayBuffer> {
  const cell = (v: string | number | null, r: number, c: number) => {
    const at = `${String.fromCharCode(65 + c)}${r + 1}`
    if (v === null) return ''
    return typeof v === 'number'
      ? `<c r="${at}"><v>${v}</v></c>`
      : `<c r="${at}" t="inlineStr"><is><t>${escaped(v)}</t></is></c>`
  }
  const sheetOf = (rows: Rows) =>
    rows.map((row, r) => `<row r="${r + 1}">${row.map((v, c) => cell(v, r, c)).join('')}</row>`).join('')
  const sheets = Object.entries({ Goods: first, ...more }).map(([name, rows], i) => ({ name, rows, n: i + 1 }))
  const each = (told: (x: (typeof sheets)[0]) => string) => sheets.map(told).join('')
  const sheetType = 'application/vnd.openxmlformats-officedocument.spreadsheetml'
  const parts = {
    '[Content_Types].xml': `<Types xmlns="${PACKAGE}/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Override PartName="/xl/workbook.xml" ContentType="${sheetType}.sheet.main+xml"/>${each((x) => `<Override PartName="/xl/worksheets/sheet${x.n}.xml" ContentType="${sheetType}.worksheet+xml"/>`)}</Types>`,
    '_rels/.rels': `<Relationships xmlns="${PACKAGE}/relationships"><Relationship Id="rId1" Type="${OFFICE}/relationships/officeDocument" Target="xl/workbook.xml"/></Relationships>`,
    'xl/workbook.xml': `<workbook xmlns="${MAIN}" xmlns:r="${OFFICE}/relationships"><sheets>${each((x) => `<sheet name="${escaped(x.name)}" sheetId="${x.n}" r:id="rId${x.n}"/>`)}</sheets></workbook>`,
    'xl/_rels/workbook.xml.rels': `<Relationships xmlns="${PACKAGE}/relationships">${each((x) => `<Relationship Id="rId${x.n}" Type="${OFFICE}/relationships/worksheet" Target="worksheets/sheet${x.n}.xml"/>`)}</Relationships>`,
    ...Object.fromEntries(
      sheets.map((x) => [
        `xl/worksheets/sheet${x.n}.xml`,
        `<worksheet xmlns="${MAIN}"><sheetData>${sheetOf(x.rows)}</sheetData></worksheet>`,
      ]),
    ),
  }
  return zipSync(Object.fromEntries(Object.entries(parts).map(([name, text]) => [name, strToU8(HEAD + text)])))
}
