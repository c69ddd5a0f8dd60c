import { rmSync } from 'node:fs'
import { fileURLToPath } from 'node:url'

/** Starts the real stack on a database and data folder of the tests' own; stops it afterwards. */
export default async function setup() {
  const data = fileURLToPath(new URL('../.data-test', import.meta.url))
  rmSync(data, { recursive: true, force: true })
  const { startStack } = (await import('../scripts/stack.mjs' as string)) as { startStack: (options: object) => Promise<{ address: string; stop: () => Promise<void> }> }
  const stack = await startStack({ data, first: 4500, demo: false })
  process.env.TIDY_ADDRESS = stack.address
  return () => stack.stop()
}
