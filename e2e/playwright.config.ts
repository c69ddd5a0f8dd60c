import { fileURLToPath } from 'node:url'
import { defineConfig } from '@playwright/test'

export default defineConfig({
  testDir: '.',
  testMatch: '*.e2e.ts',
  timeout: 240_000,
  expect: { timeout: 30_000 },
  workers: 1,
  reporter: [
    ['list'],
    ['json', { outputFile: fileURLToPath(new URL('../.data/browser.json', import.meta.url)) }],
  ],
  outputDir: '../test-results',
  globalSetup: './stack.setup.ts',
  use: {
    viewport: { width: 1280, height: 800 },
    // A control that is not there is a fault at once, not when the test runs out of time.
    actionTimeout: 30_000,
    // What moves by itself moves for nobody here; a test that looks at it asks for it.
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--autoplay-policy=no-user-gesture-required',
        '--use-fake-ui-for-media-stream',
        '--use-fake-device-for-media-stream',
      ],
    },
  },
})
