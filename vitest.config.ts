import { defineConfig } from 'vitest/config'

/** Core and the client's own logic: nothing but the language, so files may share what is loaded. */
const unit = {
  name: 'unit',
  include: ['packages/{core,web}/**/*.test.ts'],
  isolate: false,
  // On a machine that other tests fill, what is long takes ten times as long.
  testTimeout: 60_000,
}

/** Tests that start programs wait for them. */
const patient = {
  testTimeout: 120_000,
  hookTimeout: 120_000,
  expect: { poll: { timeout: 15_000 } },
}

/**
 * What starts ffmpeg, voices, stand-ins and the shell; loading anew for each file took half the
 * time.
 */
const parts = {
  ...patient,
  name: 'parts',
  include: ['packages/{engine,cli,standins}/**/*.test.ts'],
  isolate: false,
  globalSetup: 'scripts/parts.setup.mjs',
}

/**
 * What needs PostgreSQL too. Each file has a database of its own; Sequelize's models are bound to
 * it anew when it connects.
 */
const server = {
  ...patient,
  name: 'server',
  isolate: false,
  include: ['packages/server/**/*.test.ts'],
  globalSetup: ['scripts/parts.setup.mjs', 'scripts/server.setup.mjs'],
}

export default defineConfig({
  test: {
    maxWorkers: 2,
    projects: [
      { extends: true, test: unit },
      { extends: true, test: parts },
      { extends: true, test: server },
    ],
  },
})
