import { address, expect, test } from './stack.ts'
import { idOf, newEpisode, prepared } from './steps.ts'

const SCRIPT =
  '# The lamp\n\nThe lamp burns above the sea. It was lit in 1822.\n\n# The sea\n\nThe sea is calm.'
const ROOMS = ['script', 'sheet', 'subtitles', 'picks', 'contact', 'sound', 'record', 'render']
/** 1280 × 800 as it is at 200 % and at 400 % (WCAG 2.2 SC 1.4.10), and a small laptop's window. */
const WINDOWS = [
  { width: 640, height: 400 },
  { width: 320, height: 256 },
  { width: 1024, height: 700 },
]

test('small windows: no room scrolls sideways, and everything in it can be reached', async ({
  page,
}) => {
  const title = 'A title as long as one may be: '.padEnd(199, 'lighthouse')
  await newEpisode(page, title, SCRIPT)
  await page.setViewportSize({ width: 1024, height: 700 })
  await prepared(page, 3)
  const id = idOf(page)
  const addresses = [
    ...ROOMS.map((room) => `episode/${id}/${room}`),
    '',
    'library',
    'styles',
    'topics',
    'nowhere',
  ].map((path) => new URL(path, address()).href)
  const found: string[] = []
  for (const at of addresses) {
    await page.goto(at)
    await expect(page.locator('main').first()).toBeVisible()
    for (const size of WINDOWS) {
      await page.setViewportSize(size)
      await page.evaluate('new Promise(requestAnimationFrame)')
      const { over, hidden } = await page.evaluate<{ over: number; hidden: string[] }>(`({
        over: document.documentElement.scrollWidth - innerWidth,
        hidden: [...document.querySelectorAll('main button, aside button, header button, header a')]
          .filter((control) => {
            const { left, right } = control.getBoundingClientRect()
            const scrolls = control.closest('.rows, .grid, ol, table')
            return control.checkVisibility() && !scrolls && (left < -1 || right > innerWidth + 1)
          })
          .map((control) => control.getAttribute('aria-label') ?? control.textContent.trim()),
      })`)
      const where = `${new URL(at).pathname.replace(id, ':id')} at ${size.width} × ${size.height}`
      if (over > 0) found.push(`${where} is ${over} px too wide`)
      for (const control of hidden) found.push(`${where}: “${control}” is out of sight`)
    }
  }
  expect(found).toEqual([])
  await page.setViewportSize({ width: 640, height: 400 })
  await page.goto(`${address()}/episode/${id}/sheet`)
  await page.getByRole('tab', { name: 'Scene' }).click()
  await expect(page.getByRole('tabpanel', { name: 'Scene' })).toBeVisible()
  await page.getByRole('tab', { name: 'Pictures' }).click()
  await page.getByLabel('Pictures for this scene').locator('.pick').first().click()
})
