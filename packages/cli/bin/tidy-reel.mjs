#!/usr/bin/env node
import { existsSync } from 'node:fs'

const program = new URL('../../../dist/tidy-reel.js', import.meta.url)
if (existsSync(program)) {
  const { guardOutput, main } = await import(program.href)
  guardOutput()
  process.exitCode = await main(process.argv)
} else {
  console.error('tidy-reel has not been built yet. Type: npm run build')
  process.exitCode = 1
}
