import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: { include: ['packages/**/*.test.ts'], globalSetup: 'scripts/unit.setup.mjs', testTimeout: 60_000, hookTimeout: 60_000 },
})
