import { shots, done } from './shot.tmp.mjs'
try {
  await shots(async ({ page, open }) => {
    await open('Chef’s knife, weekly', 'clamp/sure')
    for (let k = 0; k < 4; k++) {
      await page.evaluate(() => { window.__f = []; let last = performance.now(); window.__go = true; const t = () => { const n = performance.now(); window.__f.push(n - last); last = n; if (window.__go) requestAnimationFrame(t) }; requestAnimationFrame(t) })
      const t0 = Date.now()
      await page.getByRole('button', { name: /Draw/ }).click()
      await page.getByRole('button', { name: 'Draw again' }).waitFor()
      const f = await page.evaluate(() => { window.__go = false; return window.__f })
      f.sort((a, b) => a - b)
      console.log('ms', Date.now() - t0, 'frames', f.length, 'median', f[f.length >> 1].toFixed(1), 'p95', f[Math.floor(f.length * .95)].toFixed(1), 'max', f.at(-1).toFixed(1))
    }
  })
} finally { await done() }
