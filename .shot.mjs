import { chromium } from '@playwright/test'
const [,, path, out, w='1280', h='800', ...acts] = process.argv
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] })
const p = await b.newPage({ viewport: { width: +w, height: +h } })
p.on('pageerror', e => console.log('PAGEERROR', e.message))
await p.goto('http://localhost:5311/'); await p.waitForTimeout(2500)
await p.goto('http://localhost:5311' + path); await p.waitForTimeout(2500)
for (const a of acts) { const [k, ...v] = a.split('='); const t = v.join('=');
  if (k === 'click') await p.getByRole('button', { name: t }).first().click()
  if (k === 'text') await p.getByText(t).first().click()
  if (k === 'scroll') await p.locator(t).first().scrollIntoViewIfNeeded()
  if (k === 'eval') await p.evaluate(t)
  await p.waitForTimeout(1200) }
await p.screenshot({ path: out }); await b.close()
