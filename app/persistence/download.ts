/** Hands the person a file. */
export const download = (name: string, content: string, type: string) =>
  downloadBlob(name, new Blob([content], { type: `${type};charset=utf-8` }))

export function downloadBlob(name: string, content: Blob) {
  const url = URL.createObjectURL(content)
  const link = document.createElement('a')
  link.href = url
  link.download = name
  link.click()
  setTimeout(() => URL.revokeObjectURL(url), 1000)
}

const fileName = (name: string, otherwise: string): string =>
  name
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-|-$/g, '')
    .toLowerCase() || otherwise
export const projectFileName = (name: string): string => `${fileName(name, 'project')}.tackloft.json`
export const pictureFileName = (name: string): string => `${fileName(name, 'picture')}.png`
