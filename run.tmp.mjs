import { shots, done } from './shot.tmp.mjs'
try {
  await shots(async ({ page, open, shot }) => {
    await open('Chef’s knife, weekly', 'clamp'); await shot('clamp')
    await open('Chef’s knife, weekly', 'clamp/gauge'); await page.getByTestId('gauge-A').fill('17.3'); await page.getByTestId('gauge-A').press('Tab'); await page.getByTestId('gauge-B').fill('17.2'); await page.getByTestId('gauge-B').press('Tab'); await page.waitForTimeout(300); await shot('gauge')
    await open('Pocket knife from the gate', 'rig'); await shot('rig')
    await page.getByRole('button', { name: /Measure Long-bench plate anew/ }).click(); await page.waitForTimeout(800)
    for (const i of [3, 4, 5, 6]) { await page.getByRole('button', { name: new RegExp(`^${i}: `) }).click(); await page.waitForTimeout(300); await shot(`describe${i}`) }
    await page.goto(page.url().replace(/describe.*/, 'describe')); await page.waitForTimeout(600); await page.getByText('Upright with two arms').click(); await page.getByRole('button', { name: /^2: / }).click(); await page.getByLabel('Setback of arm A').fill('110'); await page.waitForTimeout(300); await shot('describe-upright')
  })
} finally { await done() }
