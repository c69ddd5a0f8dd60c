#!/usr/bin/env node
import '../../../scripts/build-wasm.mjs'
import { register } from 'tsx/esm/api'

register()
const { main } = await import('../src/main.ts')
process.exitCode = await main(process.argv)
