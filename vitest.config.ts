import { defineConfig } from 'vitest/config'

/** Core and the client's own logic: nothing but the language, so files may share what is loaded. */
const unit = {
  name: 'unit',
  include: ['packages/{core,web}/**/*.test.ts'],
  isolate: false,
}

/** What starts programs: PostgreSQL, ffmpeg, voices, stand-ins. */
const parts = {
  name: 'parts',
  include: ['packages/{engine,server,cli,standins}/**/*.test.ts'],
  globalSetup: 'scripts/parts.setup.mjs',
  testTimeout: 120_000,
  hookTimeout: 120_000,
  expect: { poll: { timeout: 15_000 } },
}

export default defineConfig({
  test: {
    maxWorkers: 2,
    projects: [
      { extends: true, test: unit },
      { extends: true, test: parts },
    ],
  },
})
