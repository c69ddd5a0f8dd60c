import { defineConfig } from '@playwright/test'
import tests from './playwright.config.ts'

/** Figures of the browser, measured against the real stack: `npm run bench:sheet`. */
export default defineConfig({ ...tests, testMatch: '*.bench.ts', reporter: [['line']] })
