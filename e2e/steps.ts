import type { APIRequestContext, Page } from '@playwright/test'
import type { Command } from '@tidy-reel/core/document/command'
import type { EpisodeCandidates, EpisodeView } from '@tidy-reel/core/views/episode'
import { address, expect } from './stack.ts'

/** An episode with its script, open in the script's room. */
export async function newEpisode(page: Page, title: string, script: string) {
  const made = await page.request.post(`${address()}/api/episodes`, { data: { title, script } })
  const { id } = (await made.json()) as { id: string }
  await page.goto(`${address()}/episode/${id}/script`)
  await expect(page.getByLabel('Script', { exact: true })).toBeVisible()
}

/** The same as a person does it. */
export async function newEpisodeByHand(page: Page, title: string, script: string) {
  await page.goto(address())
  await page.getByRole('button', { name: 'New episode' }).first().click()
  await expect(page.getByLabel('Title, as a viewer would read it')).toBeFocused()
  await page.keyboard.type(title)
  await page.getByRole('button', { name: 'Create' }).click()
  await page.getByLabel('Script', { exact: true }).fill(script)
  await expect(page.getByText('Saved', { exact: true })).toBeVisible()
}

/** From the script to the sheet, until its last scene is spoken. */
export async function prepared(page: Page, scenes: number) {
  await page.getByRole('button', { name: 'Choose pictures and speak' }).click()
  await expect
    .poll(async () => Object.keys((await viewOf(page.request, idOf(page))).takes).length, {
      timeout: 90_000,
    })
    .toBeGreaterThanOrEqual(scenes)
  // Rows further down are not on the page until they are scrolled to.
  await expect(
    page.getByRole('button', { name: `Play scene ${Math.min(scenes, 5)}`, exact: true }),
  ).toBeEnabled()
}

export async function smallRender(page: Page) {
  await page.getByRole('link', { name: 'Render' }).click()
  await page.locator('.field', { hasText: 'Size and shape' }).locator('.el-select__wrapper').click()
  await page.getByRole('option', { name: '320 × 180, wide, for a test' }).click()
  await page.getByRole('button', { name: 'Start the render' }).click()
}

export const idOf = (page: Page) => /episode\/([\w-]+)/.exec(page.url())![1]!

/** What matching found for its scenes, as the server tells it. */
export const foundFor = async (request: APIRequestContext, id: string) =>
  (await (
    await request.get(`${address()}/api/episodes/${id}/candidates`)
  ).json()) as EpisodeCandidates

/** The episode as the server has it. */
export const viewOf = async (request: APIRequestContext, id: string) =>
  (await (await request.get(`${address()}/api/episodes/${id}`)).json()) as EpisodeView

/** Changes an episode behind the browser's back. */
export async function change(request: APIRequestContext, id: string, ...commands: Command[]) {
  for (const command of commands)
    expect(
      (
        await request.post(`${address()}/api/episodes/${id}/commands`, {
          data: { revision: 0, command },
        })
      ).status(),
    ).toBe(200)
}
