import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import type { AxeResults } from 'axe-core'
import { address, expect, test } from './stack.ts'
import { newEpisode, prepared } from './steps.ts'

/** axe-core 4.14, the accessibility rules of Deque; each finding names the rule it stands for. */
const AXE = readFileSync(new URL('../node_modules/axe-core/axe.min.js', import.meta.url), 'utf8')

/** What axe finds on the page as it stands, of any impact: light whole, dark its colours. */
async function findings(page: Page, where: string): Promise<string[]> {
  const found: string[] = []
  for (const colorScheme of ['light', 'dark'] as const) {
    await page.emulateMedia({ colorScheme, reducedMotion: 'reduce' })
    const rules = colorScheme === 'dark' ? ['color-contrast'] : undefined
    const results = await page.evaluate<AxeResults, [string, string[] | undefined]>(
      async ([source, only]) => {
        const holder = globalThis as unknown as {
          axe?: { run: (options: object) => Promise<unknown> }
        }
        if (!holder.axe) (0, eval)(source)
        const options = only ? { runOnly: { type: 'rule', values: only } } : {}
        return (await holder.axe!.run({ ...options, resultTypes: ['violations'] })) as never
      },
      [AXE, rules],
    )
    for (const { id, nodes } of results.violations)
      for (const { target, failureSummary = '' } of nodes.slice(0, 4))
        found.push(
          `${where}, ${colorScheme}: ${id} at ${target.join(' ')}: ` +
            failureSummary.split('\n').slice(1, 3).join(' ').trim(),
        )
  }
  return found
}

test('every room and open panel, light and dark, has nothing that axe finds fault with', async ({
  page,
}) => {
  test.setTimeout(300_000)
  await newEpisode(
    page,
    'Light and tide',
    '# The lamp\n\nThe lamp burns. It was lit in 1822 by a baker.\n\n# The sea\n\nThe sea is calm.',
  )
  await prepared(page, 3)
  const episode = page.url().replace(/\/sheet.*/, '')
  const found: string[] = []
  const look = async (where: string) => found.push(...(await findings(page, where)))

  await look('sheet, pictures')
  await page.getByRole('button', { name: 'Filter' }).press('Enter')
  await expect(page.getByRole('button', { name: 'Filter' })).toHaveAttribute(
    'aria-expanded',
    'true',
  )
  await look('sheet, filter')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('button', { name: 'Filter' })).toBeFocused()
  // Where the system's own colours are used, a line says what a tint says otherwise.
  await page.emulateMedia({ forcedColors: 'active' })
  await expect(page.getByRole('row', { selected: true }).first()).toHaveCSS(
    'outline-style',
    'solid',
  )
  await page.emulateMedia({ forcedColors: 'none' })
  for (const panel of ['Shot', 'Look', 'Scene', 'Drawn', 'Sounds']) {
    await page.getByRole('tab', { name: panel }).click()
    await look(`sheet, ${panel}`)
  }
  await page.keyboard.press('F2')
  await expect(page.getByRole('dialog')).toBeVisible()
  await look('all commands')
  await page.keyboard.press('Escape')
  await page.keyboard.press('F1')
  await expect(page.getByRole('dialog')).toBeVisible()
  await look('sheet of keys')
  await page.keyboard.press('Escape')
  await page.goto(`${episode}/script`)
  for (const tab of ['Film', 'Tidy', 'Checks', 'Claims', 'Notes']) {
    await page.getByRole('tab', { name: new RegExp(`^${tab}`) }).click()
    await look(`script, ${tab}`)
  }
  await page.getByRole('button', { name: 'Compare with' }).press('Enter')
  await expect(page.getByRole('menu')).toBeVisible()
  await look('script, versions')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('button', { name: 'Compare with' })).toBeFocused()
  await page.getByRole('button', { name: 'Import' }).click()
  await look('script, import')
  await page.getByRole('button', { name: 'Write from sources' }).click()
  await look('script, writing')
  for (const room of ['shown', 'subtitles', 'picks', 'contact', 'sound', 'record', 'render']) {
    await page.goto(`${episode}/${room}`)
    await expect(page.locator('main').first()).toBeVisible()
    await look(room)
  }
  for (const room of ['', 'library', 'styles', 'topics', 'nowhere']) {
    await page.goto(new URL(room, address()).href)
    await expect(page.locator('h1').first()).toBeVisible()
    await look(room || 'episodes')
  }
  await page.goto(address())
  await page.getByRole('button', { name: 'New episode' }).first().click()
  await expect(page.getByRole('dialog')).toBeVisible()
  await look('new episode')
  expect(found).toEqual([])
})
