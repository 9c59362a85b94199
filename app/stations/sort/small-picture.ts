/** Longest side of a kept picture, pixels: enough to know a tool by. */
const SIDE = 240
const QUALITY = 0.72

/** A picture made small, as text that stands in a page. Fails where the file is no picture. */
export async function smallPicture(file: Blob): Promise<string> {
  const whole = await createImageBitmap(file)
  const scale = Math.min(1, SIDE / Math.max(whole.width, whole.height))
  const canvas = document.createElement('canvas')
  canvas.width = Math.max(1, Math.round(whole.width * scale))
  canvas.height = Math.max(1, Math.round(whole.height * scale))
  canvas.getContext('2d')!.drawImage(whole, 0, 0, canvas.width, canvas.height)
  whole.close()
  return canvas.toDataURL('image/jpeg', QUALITY)
}
