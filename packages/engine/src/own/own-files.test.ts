import { mkdtempSync, readdirSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Readable } from 'node:stream'
import { describe, expect, it } from 'vitest'
import { clip, memoryLibrary, photograph } from '../test/lying-library.ts'
import { ownItem, takeOwnFile, withOwnFiles } from './own-files.ts'

const folder = mkdtempSync(join(tmpdir(), 'tidy-own-'))
const take = (name: string, bytes: Buffer) => takeOwnFile(folder, name, Readable.from([bytes]))

describe('takeOwnFile', () => {
  it('takes a photograph and a clip, each once whatever it is called', async () => {
    const photo = readFileSync(photograph('own', 900, 1600))
    const taken = await take('IMG_0042 harbour.jpg', photo)
    expect(taken).toMatchObject({ kind: 'photo', title: 'IMG 0042 harbour', width: 900, height: 1600, orientation: 'portrait', seconds: null, source: 'Own file' })
    expect((await take('again.jpg', photo)).id).toBe(taken.id)
    expect(await take('wave.mp4', readFileSync(clip('own-clip', 2)))).toMatchObject({ kind: 'clip', seconds: 2, width: 640 })
    expect(await ownItem(folder, taken.id)).toMatchObject({ title: 'again' })
  })
  it.each<[string, string, Buffer]>([
    ['a text', 'notes.jpg', Buffer.from('These are notes, not a picture.')], ['a page', 'page.png', Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>1</script></svg>')],
    ['nothing', 'empty.mp4', Buffer.alloc(0)], ['half a film', 'half.mp4', readFileSync(clip('own-half', 2)).subarray(0, 900)], ['a playlist', 'list.m3u8', Buffer.from('#EXTM3U\n#EXTINF:1,\nfile:///etc/passwd\n')],
  ])('refuses %s with a sentence and keeps nothing of it', async (_what, name, bytes) => {
    const before = readdirSync(folder)
    await expect(take(name, bytes)).rejects.toMatchObject({ code: 'own_file_unusable', message: expect.stringContaining(name) })
    expect(readdirSync(folder)).toEqual(before)
  })
  it('lets no name lead out of its folder', async () => {
    const taken = await take('../../../etc/cron.d/evil.jpg', readFileSync(photograph('own-evil', 320, 180)))
    expect(taken).toMatchObject({ title: 'evil', id: expect.stringMatching(/^own-[0-9a-f]{32}$/) })
    expect(await ownItem(folder, '../secret')).toBeUndefined()
  })
})

describe('withOwnFiles', () => {
  it('has own files beside those of the library', async () => {
    const library = withOwnFiles(memoryLibrary({ lamp: photograph('lamp', 640, 360) }), folder)
    const photo = readFileSync(photograph('own-two', 640, 360))
    const { id, title } = await take('two.jpg', photo)
    const [own, lamp, small] = ['own.jpg', 'lamp.jpg', 'small.jpg'].map((name) => join(folder, name)) as [string, string, string]
    await library.download({ id, title }, 360, own)
    await library.download({ id: 'lamp', title: 'Lamp' }, 360, lamp)
    await library.thumbnail(id, small)
    expect(readFileSync(own)).toEqual(photo)
    expect(readFileSync(lamp).length).toBeGreaterThan(1000)
    expect(readFileSync(small).subarray(0, 2).toString('hex')).toBe('ffd8')
  })
})
