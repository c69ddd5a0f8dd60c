import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    maxWorkers: 2,
    include: ['packages/**/*.test.ts'],
    globalSetup: 'scripts/unit.setup.mjs',
    testTimeout: 120_000,
    hookTimeout: 120_000,
    expect: { poll: { timeout: 15_000 } },
  },
})
