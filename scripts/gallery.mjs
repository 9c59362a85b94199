// Pictures of all examples of all kinds of builds, a sheet for each kind: npm run gallery [-- folder]
import { chromium } from '@playwright/test'
import { mkdirSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { drawIso } from '../build/core/drawing/iso.js'
import { allFamilies } from '../build/core/families/registry.js'
import { executablePath } from './chromium.mjs'

const folder = process.argv[2] ?? join(tmpdir(), 'tack-loft-gallery')
const TONES = { top: 1, front: 0.93, side: 0.82 }
const FILLS = { board: [232, 216, 186], sheet: [226, 206, 160], fitting: [250, 248, 242], goods: [214, 216, 214] }

const at = ([x, y]) => `${x.toFixed(1)},${(-y).toFixed(1)}`
function svgOf(scene) {
  const [l, b, r, t] = scene.bounds
  const line = Math.max(r - l, t - b) / 700
  const marks = scene.marks.map((m) => {
    if (m.kind === 'face') {
      const fill = FILLS[m.ink].map((c) => Math.round(c * TONES[m.tone])).join()
      return `<polygon points="${m.points.map(at).join(' ')}" fill="rgb(${fill})"/>`
    }
    if (m.kind === 'edge') return `<path d="M${at(m.from)}L${at(m.to)}" stroke="#2a2a30" stroke-width="${line}"/>`
    return ''
  })
  return `<svg viewBox="${l} ${-t} ${r - l} ${t - b}">${marks.join('')}</svg>`
}

mkdirSync(folder, { recursive: true })
const browser = await chromium.launch({
  executablePath,
  args: ['--no-sandbox'],
})
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  for (const family of allFamilies()) {
    const figures = family.examples().map((e) => {
      const shaped = family.shape(e.params, e.context)
      const picture = shaped.ok
        ? svgOf(drawIso(shaped.value.assembly, { goods: new Map(), showGoods: false }))
        : 'not built'
      return `<figure>${picture}<figcaption>${e.name}</figcaption></figure>`
    })
    await page.setContent(
      `<style>body{display:grid;grid-template-columns:repeat(3,1fr);gap:12px;font:14px sans-serif}figure{margin:0}
      svg{width:100%;height:340px}</style>${figures.join('')}`,
    )
    await page.screenshot({ path: join(folder, `${family.id}.png`), fullPage: true })
    process.stdout.write(`${join(folder, `${family.id}.png`)}\n`)
  }
} finally {
  await browser.close()
}
