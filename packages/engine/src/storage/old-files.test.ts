import { mkdirSync, mkdtempSync, readdirSync, utimesSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { removeOlder } from './old-files.ts'

describe('removeOlder', () => {
  it('removes what is older, and nothing else', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'tidy-old-'))
    const made = (name: string, secondsAgo: number) => {
      writeFileSync(join(folder, name), name)
      const then = Date.now() / 1000 - secondsAgo
      utimesSync(join(folder, name), then, then)
    }
    made('old.json', 90)
    made('new.json', 30)
    mkdirSync(join(folder, 'inner'))
    utimesSync(join(folder, 'inner'), 0, 0)
    await removeOlder(folder, 60_000)
    expect(readdirSync(folder).sort()).toEqual(['inner', 'new.json'])
  })
  it('does nothing where there is no folder', () =>
    expect(removeOlder('/nowhere/at/all', 1)).resolves.toBeUndefined())
})
