import type { Command } from '@tidy-reel/core/document/command'
import { expect, test } from './stack.ts'
import { idOf, newEpisode, prepared, smallRender, viewOf } from './steps.ts'

test('without one library the other serves, without any the scenes say so, and the film is made of plain cards', async ({
  page,
  stack,
}) => {
  await stack.end('stock')
  await newEpisode(page, 'One library', 'A lighthouse stands on a rock.')
  await prepared(page, 1)
  await expect(page.getByRole('alert')).toContainText('does not answer')
  await expect(page.getByLabel('Pictures for this scene').locator('.pick').first()).toContainText(
    /lighthouse/i,
  )
  await stack.end('prints')
  await newEpisode(page, 'No library', 'A hat hangs on a hook. Nobody comes.')
  await prepared(page, 2)
  await expect(page.getByRole('alert')).toContainText('does not answer')
  await smallRender(page)
  await expect(page.getByText('2 scenes have no picture and will show a plain card.')).toBeVisible()
  await expect(page.getByRole('link', { name: 'Film', exact: true })).toBeVisible({
    timeout: 90_000,
  })
  await stack.startStock()
  await stack.startPrints()
})

test('edits made while the server is away are kept and reach it later, even from a page that was left', async ({
  page,
  stack,
}) => {
  await newEpisode(page, 'Away', 'The lamp burns.')
  await stack.end('server')
  await page.getByLabel('Script', { exact: true }).fill('The lamp burns. And it turns.')
  await expect(page.getByText('Not saved yet, trying again')).toBeVisible({ timeout: 10_000 })
  await stack.startServer()
  await expect(page.getByText('Saved', { exact: true })).toBeVisible({ timeout: 10_000 })
  await stack.end('server')
  await page.getByLabel('Script', { exact: true }).fill('The lamp burns. And it turns. All night.')
  await expect(page.getByText('Not saved yet, trying again')).toBeVisible({ timeout: 10_000 })
  const left = page.url()
  await page.goto('about:blank')
  await stack.startServer()
  await page.goto(left)
  await expect(page.getByLabel('Script', { exact: true })).toHaveText(
    'The lamp burns. And it turns. All night.',
  )
})

test('every bad script is answered with a sentence, and none is lost', async ({ page }) => {
  await newEpisode(page, 'Bad scripts', '# Only\n\n## Headings')
  const action = page.getByRole('button', { name: 'Choose pictures and speak' })
  await expect(action).toBeDisabled()
  await expect(page.getByText('Nothing to speak yet.')).toBeVisible()
  for (const [script, scenes] of [
    ['Light', 1],
    ['The sea 🌊 is deep.\r\n\r\nالبحر عميق.\r\n\r\n海很深。', 3],
    [`${'lantern '.repeat(400)}.`, 20],
    ['Zero\u200bwidth is gone.', 1],
  ] as const) {
    await page.getByLabel('Script', { exact: true }).fill(script)
    await expect
      .poll(
        async () =>
          Number(
            (await page.getByLabel('Length of the script').textContent())!.match(
              /(\d+)\s*scene/,
            )?.[1],
          ),
        { timeout: 10_000 },
      )
      .toBeGreaterThanOrEqual(scenes)
    await expect(action).toBeEnabled()
  }
  await page.getByLabel('Script', { exact: true }).fill('The sea is deep and cold. '.repeat(5000))
  await page.waitForTimeout(1500)
  await page.goto(page.url().replace(/script$/, 'render'))
  await page.getByRole('button', { name: 'Start the render' }).click({ timeout: 20_000 })
  await expect(page.getByRole('alert')).toContainText('Split it into several episodes')
})

test('the working rooms do not scroll as a page at 1280 × 800, and the keyboard reaches everything on the sheet', async ({
  page,
}) => {
  await newEpisode(
    page,
    'By keyboard',
    'The lamp burns above the sea. The keeper climbs the stairs. Ships pass by night.',
  )
  await prepared(page, 3)
  for (const room of ['script', 'sheet', 'render']) {
    await page.goto(page.url().replace(/\/\w+(?:\?.*)?$/, `/${room}`))
    await expect(page.getByRole('link', { name: 'Render' })).toBeVisible()
    expect(
      await page.evaluate('document.documentElement.scrollHeight - innerHeight'),
    ).toBeLessThanOrEqual(0)
    expect(
      await page.evaluate('document.documentElement.scrollWidth - innerWidth'),
    ).toBeLessThanOrEqual(0)
  }
  await page.goto(page.url().replace(/\/\w+(?:\?.*)?$/, '/sheet'))
  const second = page.getByRole('row', { name: /^Scene 2:/ })
  await expect(second.getByRole('img').first()).toBeVisible()
  await page.keyboard.press('ArrowDown')
  await expect(second).toHaveAttribute('aria-current', 'true')
  const before = await second.getByRole('img').first().getAttribute('alt')
  await page.keyboard.press('3')
  await expect(second.getByRole('img').first()).not.toHaveAttribute('alt', before!)
  await page.keyboard.press(' ')
  await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible()
  await expect(page.getByRole('row', { name: /^Scene 3:/ })).toHaveAttribute(
    'aria-current',
    'true',
    { timeout: 15_000 },
  )
  await page.keyboard.press(' ')
  await expect(page.getByRole('button', { name: 'Play from here' })).toBeVisible()
})

test('an edit that is refused stands aside with its words; the others are saved, another tab or not', async ({
  page,
  request,
}) => {
  await newEpisode(page, 'Set aside', 'The lamp burns. The sea is calm.')
  await prepared(page, 2)
  const id = idOf(page)
  const words = 'The lamp burns all night long.'
  await page.route('**/commands', async (route) => {
    const { command } = route.request().postDataJSON() as { command: Command }
    if (command.type !== 'editNarration' || command.text !== words) return route.continue()
    await route.fulfill({
      status: 422,
      contentType: 'application/problem+json',
      body: JSON.stringify({ code: 'input_invalid', detail: 'This cannot be kept.' }),
    })
  })
  for (const key of ['ArrowDown', 'Enter', 'Control+a']) await page.keyboard.press(key)
  await page.keyboard.type(words)
  await page.keyboard.press('Shift+Enter')
  const aside = page.getByRole('alert', { name: 'Changes that could not be saved' })
  await expect(aside).toContainText('Not saved: narration of a scene. This cannot be kept.')
  await expect(aside).toContainText(words)
  await expect(aside.getByRole('listitem')).toHaveCount(1)
  await page.keyboard.press('Shift+T')
  await expect(page.getByText('Saved', { exact: true })).toBeVisible()
  const { document } = await viewOf(request, id)
  expect(document.transition.kind).toBe('dissolve')
  expect(document.scenes.map(({ text }) => text)).toEqual(['The lamp burns.', 'The sea is calm.'])
  // The words are still there on another day, until they are let go.
  await page.reload()
  await expect(aside).toContainText(words)
  await aside.getByRole('button', { name: 'Let go' }).click()
  await expect(aside).toBeHidden()
  await page.reload()
  await expect(page.getByText('Saved', { exact: true })).toBeVisible()
  await expect(aside).toBeHidden()
})
