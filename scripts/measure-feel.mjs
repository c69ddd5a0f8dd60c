/**
 * `npm run measure:feel -- <address>`: how a running Tidy Reel feels in Chromium. For each room
 * the layout shift and the longest task while it opens; the longest task of a step from scene to
 * scene, and of 20,000 and 60,000 pasted words until they are saved. Times in ms: of this machine,
 * to be compared within one run.
 */
import { chromium } from '@playwright/test'

const address = process.argv[2] ?? 'http://127.0.0.1:4300'
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
})
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
await page.addInitScript(() => {
  globalThis.felt = { shift: 0, longest: 0 }
  new PerformanceObserver((list) => {
    for (const { value, hadRecentInput } of list.getEntries())
      if (!hadRecentInput) globalThis.felt.shift += value
  }).observe({ type: 'layout-shift', buffered: true })
  new PerformanceObserver((list) => {
    for (const { duration } of list.getEntries())
      globalThis.felt.longest = Math.max(globalThis.felt.longest, duration)
  }).observe({ type: 'longtask', buffered: true })
})
/** A piece of work that is always the same, in ms: what the machine was worth meanwhile. */
const reference = await page.evaluate(() => {
  const start = performance.now()
  let text = ''
  for (let at = 0; at < 200_000; at++) text = (text + at.toString(36)).slice(-64)
  return performance.now() - start
})
console.log(`reference: ${reference.toFixed(0)} ms`)
const felt = () => page.evaluate(() => globalThis.felt)
const say = (name, { shift, longest }) =>
  console.log(
    `${name.padEnd(30)} shift ${shift.toFixed(3)}  longest task ${longest.toFixed(0).padStart(5)}`,
  )

/** What was felt while something was done, apart from what came before. */
async function while_(name, act) {
  await page.evaluate(() => Object.assign(globalThis.felt, { shift: 0, longest: 0 }))
  await act()
  say(name, await felt())
}

const { episodes } = await (await fetch(`${address}/api/episodes`)).json()
const { id } = episodes
  .filter(({ state, deletedAt }) => state === 'matched' && !deletedAt)
  .reduce((most, each) => (each.scenes > most.scenes ? each : most))
const rooms = ['script', 'sheet', 'contact', 'picks', 'sound', 'record', 'render']
const paths = ['/', '/library', '/topics', ...rooms.map((room) => `/episode/${id}/${room}`)]
/** A busy machine only ever adds: the least of three openings is the room's own. */
for (const path of paths) {
  const opened = []
  for (let time = 0; time < 3; time++) {
    await page.goto(address + path)
    await page.waitForTimeout(2500)
    opened.push(await felt())
  }
  say(path.replace(`/episode/${id}`, ''), {
    shift: Math.max(...opened.map(({ shift }) => shift)),
    longest: Math.min(...opened.map(({ longest }) => longest)),
  })
}

await page.goto(`${address}/episode/${id}/sheet`)
await page.waitForTimeout(3000)
await page.locator('[role="row"]').nth(1).click()
await while_('thirty steps of scene', async () => {
  for (let step = 0; step < 30; step++) {
    await page.keyboard.press('ArrowDown')
    await page.waitForTimeout(120)
  }
})

const SENTENCES = [
  'The keeper climbs the narrow stairs and looks out over the harbour.',
  'In 1822 the lamp was seen from 32 km away.',
  'Every wave that reaches the shore has crossed half an ocean.',
  'The lock fills slowly, and the boat rises with the water.',
]
function script(words) {
  const lines = []
  for (let said = 0, at = 0; said < words; at++) {
    const line = `${SENTENCES[at % SENTENCES.length]} `
    said += line.split(' ').length - 1
    lines.push(at % 8 === 7 ? `${line}\n\n` : line)
  }
  return lines.join('')
}
for (const words of [20_000, 60_000]) {
  const made = await fetch(`${address}/api/episodes`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: address },
    body: JSON.stringify({ title: `Measured with ${words} words` }),
  })
  const { id: long } = await made.json()
  await page.goto(`${address}/episode/${long}/script`)
  const editor = page.getByLabel('Script', { exact: true })
  await editor.click()
  const pasted = script(words)
  await while_(`${words.toLocaleString('en-GB')} words pasted`, async () => {
    await page.evaluate((text) => {
      const data = new DataTransfer()
      data.setData('text/plain', text)
      document
        .querySelector('.cm-content')
        .dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true }))
    }, pasted)
    const begun = Date.now()
    let kept = ''
    while (kept.length < pasted.trim().length && Date.now() - begun < 60_000) {
      await page.waitForTimeout(500)
      const answer = await (await fetch(`${address}/api/episodes/${long}`)).json()
      kept = answer.document?.script ?? answer.episode?.document?.script ?? ''
    }
    console.log(`  saved ${kept.length} of ${pasted.length} characters in ${Date.now() - begun} ms`)
    await page.waitForTimeout(3000)
  })
  await while_('  a letter typed after it', async () => {
    await page.keyboard.type('abcdef', { delay: 300 })
    await page.waitForTimeout(2000)
  })
  await page.goto(`${address}/episode/${long}/sheet`)
  await page.waitForTimeout(6000)
  say('  its sheet opened', await felt())
  await fetch(`${address}/api/episodes/${long}`, { method: 'DELETE', headers: { origin: address } })
}
await browser.close()
