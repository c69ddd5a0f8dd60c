import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { memoryLibrary, photograph } from '../test/lying-library.ts'
import { thumbnails } from './thumbnails.ts'

const folder = mkdtempSync(join(tmpdir(), 'tidy-thumbs-'))
const quick = memoryLibrary({ lamp: photograph('thumb', 320, 180) })

describe('thumbnails', () => {
  it('lets nobody wait for a library that paints slowly, and asks it once', async () => {
    let asked = 0
    const slow = thumbnails(folder, { ...quick, thumbnail: async (id, out) => {
      asked++
      await new Promise((resolve) => setTimeout(resolve, 900))
      return quick.thumbnail(id, out)
    } })
    const start = performance.now()
    expect(await Promise.all([slow.file('lamp'), slow.file('lamp')])).toEqual([undefined, undefined])
    expect(performance.now() - start).toBeLessThan(700)
    await expect.poll(() => slow.file('lamp'), { timeout: 5000 }).toMatch(/\.jpg$/)
    expect(asked).toBe(1)
  })
  it('says why when there is none, and asks again the next time', async () => {
    let asked = 0
    const away = thumbnails(folder, { ...quick, thumbnail: async () => {
      asked++
      throw new Error('away')
    } })
    for (let i = 0; i < 2; i++) await expect(away.file('other')).rejects.toThrow('away')
    expect(asked).toBe(2)
  })
})
