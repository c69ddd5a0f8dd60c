import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { dirname, join, relative } from 'node:path'
import { fileURLToPath } from 'node:url'
import { describe, expect, it } from 'vitest'
import { FAULTS } from '@tidy-reel/core/fault'

const PACKAGES = fileURLToPath(new URL('../..', import.meta.url))
const ROOMS = ['core', 'engine', 'server', 'cli', 'standins', 'web']
const files = ROOMS.flatMap((room) =>
  readdirSync(join(PACKAGES, room, 'src'), { recursive: true, encoding: 'utf8' })
    .filter((name) => /\.(ts|vue)$/.test(name) && !name.endsWith('.test.ts'))
    .map((name) => join(PACKAGES, room, 'src', name)),
)
const text = new Map(files.map((file) => [file, readFileSync(file, 'utf8')]))

/** Files that a file imports values from; types vanish when it runs. */
function importsOf(file: string): string[] {
  const statements = [
    ...text
      .get(file)!
      .matchAll(/^(?:import|export)\s+(?!type\b)[^'"]*?from\s+'([^']+)'|import\('([^']+)'\)/gm),
  ].map(([, fixed, loaded]) => fixed ?? loaded!)
  return statements.flatMap((target) => {
    const ours = /^@tidy-reel\/(\w+)\/(.+)$/.exec(target)
    const path = ours
      ? join(PACKAGES, ours[1]!, 'src', `${ours[2]}.ts`)
      : target.startsWith('.')
        ? join(dirname(file), target)
        : undefined
    return path && existsSync(path) ? [path] : []
  })
}

describe('imports', () => {
  it('never go round in a circle', () => {
    const done = new Set<string>()
    const walk = (file: string, trail: readonly string[]) => {
      if (trail.includes(file))
        throw new Error(
          [...trail.slice(trail.indexOf(file)), file]
            .map((step) => relative(PACKAGES, step))
            .join(' → '),
        )
      if (done.has(file)) return
      for (const next of importsOf(file)) walk(next, [...trail, file])
      done.add(file)
    }
    for (const file of files) walk(file, [])
    expect(done.size).toBe(files.length)
  })
  it('are found: the walk would see a circle', () =>
    expect(importsOf(join(PACKAGES, 'engine/src/make.ts')).length).toBeGreaterThan(10))
  it('of core touch nothing outside the language', () => {
    for (const file of files.filter((name) => relative(PACKAGES, name).startsWith('core'))) {
      expect([
        relative(PACKAGES, file),
        /from 'node:|\bprocess\.|\bDate\.now|\bMath\.random|\bwindow\.|\bfetch\(/.exec(
          text.get(file)!,
        )?.[0],
      ]).toEqual([relative(PACKAGES, file), undefined])
    }
  })
})

describe('faults', () => {
  const all = [...text]
    .filter(([file]) => !file.endsWith('core/src/fault.ts'))
    .map(([, content]) => content)
    .join('\n')
  it.each(Object.keys(FAULTS))('%s is raised somewhere', (code) =>
    expect(all).toMatch(new RegExp(`TidyError\\('${code}'`)),
  )
})
