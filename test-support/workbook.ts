import { strToU8, zipSync } from 'fflate'

const HEAD = '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>'
const OFFICE = 'http://schemas.openxmlformats.org/officeDocument/2006'
const MAIN = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main'
const PACKAGE = 'http://schemas.openxmlformats.org/package/2006'
const escaped = (text: string) => text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/"/g, '&quot;')

/** The smallest workbook a spreadsheet opens (ECMA-376): one sheet of texts and numbers. */
export function workbook(rows: readonly (readonly (string | number | null)[])[]): Uint8Array<ArrayBuffer> {
  const cell = (v: string | number | null, r: number, c: number) => {
    const at = `${String.fromCharCode(65 + c)}${r + 1}`
    if (v === null) return ''
    return typeof v === 'number'
      ? `<c r="${at}"><v>${v}</v></c>`
      : `<c r="${at}" t="inlineStr"><is><t>${escaped(v)}</t></is></c>`
  }
  const sheet = rows.map((row, r) => `<row r="${r + 1}">${row.map((v, c) => cell(v, r, c)).join('')}</row>`).join('')
  const sheetType = 'application/vnd.openxmlformats-officedocument.spreadsheetml'
  const parts = {
    '[Content_Types].xml': `<Types xmlns="${PACKAGE}/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Override PartName="/xl/workbook.xml" ContentType="${sheetType}.sheet.main+xml"/><Override PartName="/xl/worksheets/sheet1.xml" ContentType="${sheetType}.worksheet+xml"/></Types>`,
    '_rels/.rels': `<Relationships xmlns="${PACKAGE}/relationships"><Relationship Id="rId1" Type="${OFFICE}/relationships/officeDocument" Target="xl/workbook.xml"/></Relationships>`,
    'xl/workbook.xml': `<workbook xmlns="${MAIN}" xmlns:r="${OFFICE}/relationships"><sheets><sheet name="Goods" sheetId="1" r:id="rId1"/></sheets></workbook>`,
    'xl/_rels/workbook.xml.rels': `<Relationships xmlns="${PACKAGE}/relationships"><Relationship Id="rId1" Type="${OFFICE}/relationships/worksheet" Target="worksheets/sheet1.xml"/></Relationships>`,
    'xl/worksheets/sheet1.xml': `<worksheet xmlns="${MAIN}"><sheetData>${sheet}</sheetData></worksheet>`,
  }
  return zipSync(Object.fromEntries(Object.entries(parts).map(([name, text]) => [name, strToU8(HEAD + text)])))
}
