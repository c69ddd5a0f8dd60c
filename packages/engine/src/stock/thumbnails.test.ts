import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { memoryLibrary, photograph } from '../test/lying-library.ts'
import { thumbnails } from './thumbnails.ts'

const folder = mkdtempSync(join(tmpdir(), 'tidy-thumbs-'))
const quick = memoryLibrary({
  lamp: photograph('thumb', 320, 180),
  good: photograph('thumb-good', 320, 180),
})

describe('thumbnails', () => {
  it('lets nobody wait for a library that paints slowly, and asks it once', async () => {
    let asked = 0
    const slow = thumbnails(folder, {
      ...quick,
      thumbnail: async (id, out) => {
        asked++
        await new Promise((resolve) => setTimeout(resolve, 900))
        return quick.thumbnail(id, out)
      },
    })
    const start = performance.now()
    expect(await Promise.all([slow.file('lamp'), slow.file('lamp')])).toEqual([
      undefined,
      undefined,
    ])
    expect(performance.now() - start).toBeLessThan(700)
    await expect.poll(() => slow.file('lamp'), { timeout: 5000 }).toMatch(/\.jpg$/)
    expect(asked).toBe(1)
  })
  it('takes no page for a picture, looks at what comes, and keeps what it saw', async () => {
    const page = thumbnails(folder, {
      ...quick,
      thumbnail: async (_id, out) => writeFileSync(out, '<html>no such picture</html>'),
    })
    await expect(page.file('page')).rejects.toMatchObject({
      code: 'media_unusable',
      message: expect.stringContaining('is no picture'),
    })
    expect(page.look('page')).toBeUndefined()
    const good = thumbnails(folder, quick)
    await expect.poll(() => good.file('good')).toMatch(/\.jpg$/)
    expect(good.look('good')).toMatchObject({
      hash: expect.stringMatching(/^[0-9a-f]{16}$/),
      colours: expect.any(Array),
    })
  })
  it('says why when there is none, and asks again the next time', async () => {
    let asked = 0
    const away = thumbnails(folder, {
      ...quick,
      thumbnail: async () => {
        asked++
        throw new Error('away')
      },
    })
    for (let i = 0; i < 2; i++) await expect(away.file('other')).rejects.toThrow('away')
    expect(asked).toBe(2)
  })
})
