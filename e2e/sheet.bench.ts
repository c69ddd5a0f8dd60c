import type { Page } from '@playwright/test'
import { expect, test } from './stack.ts'
import { newEpisode } from './steps.ts'

const SCENES = 500
const sentence = (n: number) =>
  `Lamp number ${n} is lit by hand and burns above the sea until the morning comes.`
const SCRIPT = Array.from(
  { length: SCENES },
  (_, n) => `${n % 50 ? '' : `\n\n# Chapter ${n / 50 + 1}\n\n`}${sentence(n + 1)}`,
)
  .join(' ')
  .trim()

/**
 * Milliseconds from a key to the next paint, by the browser's Event Timing (W3C; in steps of 8).
 */
async function keysToPaint(page: Page, press: () => Promise<void>): Promise<number[]> {
  await page.evaluate(
    `window.seen = []; window.watch?.disconnect(); window.watch = new PerformanceObserver((list) => window.seen.push(...list.getEntries().filter(({ name }) => name === 'keydown').map(({ duration }) => duration))); window.watch.observe({ type: 'event', durationThreshold: 16 })`,
  )
  await press()
  await page.waitForTimeout(800)
  return page.evaluate<number[]>('window.seen')
}
const told = (name: string, durations: number[], pressed: number) => {
  const all = [
    ...durations,
    ...Array.from({ length: Math.max(0, pressed - durations.length) }, () => 8),
  ].sort((a, b) => a - b)
  const at = (share: number) => all[Math.min(all.length - 1, Math.floor(all.length * share))]
  console.log(
    `${name}: median ${at(0.5)} ms, 95 % under ${at(0.95)} ms, longest ${all.at(-1)} ms (aim 50)`,
  )
}

test('the sheet with 500 scenes', async ({ page, stack }) => {
  test.setTimeout(300_000)
  // Nothing is to be spoken or painted beside what is measured.
  await stack.end('worker')
  await newEpisode(page, 'Five hundred scenes', SCRIPT)
  await page.getByRole('button', { name: 'Choose pictures and speak' }).click()
  await expect(page.getByRole('row', { name: /^Scene 3:/ })).toBeVisible()
  await page.waitForTimeout(3000)
  told(
    'arrow down',
    await keysToPaint(page, async () => {
      for (let i = 0; i < 60; i++) await page.keyboard.press('ArrowDown', { delay: 10 })
    }),
    60,
  )
  await page.keyboard.press('Enter')
  told(
    'a letter',
    await keysToPaint(page, () =>
      page.keyboard.type(' and a good many letters more than there were before', { delay: 25 }),
    ),
    50,
  )
  told(
    'a scene split and joined again',
    await keysToPaint(page, async () => {
      for (let i = 0; i < 10; i++) {
        for (let back = 0; back < 12; back++) await page.keyboard.press('ArrowLeft')
        await page.keyboard.press('Enter')
        await page.waitForTimeout(150)
        await page.keyboard.press('Backspace')
        await page.waitForTimeout(150)
      }
    }),
    140,
  )
  await page.keyboard.press('Escape')
  const frames = await page.evaluate<number[]>(`new Promise((done) => {
    const rows = document.querySelector('.rows'); const times = []; let last = performance.now()
    const step = (now) => { times.push(now - last); last = now; rows.scrollTop += 40; times.length < 240 ? requestAnimationFrame(step) : done(times.slice(1)) }
    requestAnimationFrame(step)
  })`)
  const sorted = [...frames].sort((a, b) => a - b)
  console.log(
    `scrolling 40 px a frame: median frame ${sorted[sorted.length >> 1]!.toFixed(1)} ms, 95 % under ${sorted[Math.floor(sorted.length * 0.95)]!.toFixed(1)} ms (aim 16.7)`,
  )
  await stack.startWorker()
})
