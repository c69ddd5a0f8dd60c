import { readdirSync, readFileSync } from 'node:fs'
import { join, relative } from 'node:path'
import { fileURLToPath } from 'node:url'
import { describe, expect, it } from 'vitest'
import { ENGLISH } from '@tidy-reel/core/faults/messages'

// Who may import whom is held by .dependency-cruiser.mjs (`npm run check:imports`).

const PACKAGES = fileURLToPath(new URL('../..', import.meta.url))

function sourcesOf(folder: string): [name: string, text: string][] {
  return readdirSync(join(PACKAGES, folder), { recursive: true, encoding: 'utf8' })
    .filter((name) => /\.(ts|vue)$/.test(name) && !name.endsWith('.test.ts'))
    .map((name) => join(PACKAGES, folder, name))
    .map((file) => [relative(PACKAGES, file), readFileSync(file, 'utf8')])
}

describe('core', () => {
  const OUTSIDE = /\bprocess\.|\bDate\.now|\bMath\.random|\bwindow\.|\bfetch\(/
  it('has no clock, no chance, no network and no page', () => {
    const impure = sourcesOf('core/src').filter(([, text]) => OUTSIDE.test(text))
    expect(impure.map(([name]) => name)).toEqual([])
  })
})

describe('faults', () => {
  const all = ['core/src', 'engine/src', 'server/src', 'cli/src', 'web/src']
    .flatMap(sourcesOf)
    .map(([, text]) => text)
    .join('\n')
  it.each(Object.keys(ENGLISH))('%s is raised somewhere', (code) =>
    expect(all).toMatch(new RegExp(`TidyError\\(\\s*'${code}'`)),
  )
})
