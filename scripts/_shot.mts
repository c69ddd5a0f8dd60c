import { chromium } from '@playwright/test'
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'] })
const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
const page = await context.newPage()
page.on('console', (m) => m.type() === 'error' && console.log('console:', m.text()))
page.on('pageerror', (e) => console.log('page error:', e.message))
const shot = (name: string) => page.screenshot({ path: `/tmp/w/shots/${name}.png` })
await (await import(process.argv[2]!)).default(page, shot)
await browser.close()
