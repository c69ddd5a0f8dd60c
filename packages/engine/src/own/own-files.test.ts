import { execFileSync } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Readable } from 'node:stream'
import sharp from 'sharp'
import { describe, expect, it } from 'vitest'
import { clip, folder as media, photograph } from '../test/lying-library.ts'
import { cutOwnFile, ownFacts, ownFiles, takeOwnFile } from './own-files.ts'

const folder = mkdtempSync(join(tmpdir(), 'tidy-own-'))
const take = (name: string, bytes: Buffer) => takeOwnFile(folder, name, Readable.from([bytes]))

const whole = await sharp(photograph('own-half', 640, 360))
  .jpeg()
  .toBuffer()
/** A picture of which the second half did not come. */
const half = whole.subarray(0, whole.length / 2)

/** A GIF of few bytes: each of its pictures changes one point (GIF 89a; from memory). */
function gifOf(frames: number, size: number): Buffer {
  const [low, high] = [size & 255, size >> 8]
  const head = [...Buffer.from('GIF89a'), low, high, low, high, 0x80, 0, 0, 0, 0, 0, 255, 255, 255]
  const shown = [0x21, 0xf9, 4, 0, 4, 0, 0, 0]
  const point = [0x2c, 0, 0, 0, 0, 1, 0, 1, 0, 0, 2, 2, 0x44, 1, 0]
  const frame = Buffer.from([...shown, ...point])
  return Buffer.concat([Buffer.from(head), ...Array<Buffer>(frames).fill(frame), Buffer.of(0x3b)])
}

describe('takeOwnFile', () => {
  it.each(['jpeg', 'png', 'webp', 'gif', 'avif'] as const)(
    'takes a still as %s',
    async (format) => {
      const { item } = await take(
        `Still ${format}.${format}`,
        await sharp(photograph('stills', 320, 180))
          .toFormat(format)
          .toBuffer(),
      )
      expect(item).toMatchObject({ kind: 'photo', width: 320, height: 180, seconds: null })
    },
  )
  it('takes a photograph and a clip, each once whatever it is called', async () => {
    const photo = readFileSync(photograph('own', 900, 1600))
    const { item } = await take('Old harbour_1.jpg', photo)
    expect(item).toMatchObject({
      kind: 'photo',
      title: 'Old harbour 1',
      width: 900,
      height: 1600,
      orientation: 'portrait',
      seconds: null,
      source: 'Own file',
      licence: 'Own',
    })
    expect((await take('again.jpg', photo)).item).toEqual(item)
    expect((await take('wave.mp4', readFileSync(clip('own-clip', 2)))).item).toMatchObject({
      kind: 'clip',
      seconds: 2,
      width: 640,
    })
    expect(await ownFacts(folder, item.id)).toMatchObject({
      item: { title: 'Old harbour 1' },
      fileName: 'Old harbour_1.jpg',
      pieces: [],
    })
  })
  it('takes its folders for words where its name has none', async () => {
    const shot = readFileSync(photograph('named', 640, 360))
    expect((await take('Seaside/Low tide/IMG_0042.jpg', shot)).item).toMatchObject({
      title: 'Low tide',
      tags: ['Seaside', 'Low tide'],
    })
  })
  it('reads what a photograph carries, and turns it as the camera was held', async () => {
    const exif = {
      IFD0: {
        ImageDescription: 'Boats wait for the tide',
        Artist: 'A. Keeper',
        Copyright: 'CC BY 4.0',
      },
    }
    const turned = await sharp(photograph('turned', 640, 360))
      .withExif(exif)
      .withMetadata({ orientation: 6, exif })
      .jpeg()
      .toBuffer()
    const { item } = await take('DSC_0001.jpg', turned)
    expect(item).toMatchObject({
      width: 360,
      height: 640,
      orientation: 'portrait',
      description: 'Boats wait for the tide',
      author: 'A. Keeper',
      licence: 'CC BY 4.0',
    })
    expect(await sharp(join(folder, item.id)).metadata()).toMatchObject({ width: 360, height: 640 })
  })
  it.each<[string, string, Buffer]>([
    ['a text', 'notes.jpg', Buffer.from('These are notes, not a picture.')],
    [
      'a page',
      'page.png',
      Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>1</script></svg>'),
    ],
    ['nothing', 'empty.mp4', Buffer.alloc(0)],
    ['half a film', 'half.mp4', readFileSync(clip('own-half', 2)).subarray(0, 900)],
    ['half a picture', 'half.jpg', half],
    ['a playlist', 'list.m3u8', Buffer.from('#EXTM3U\n#EXTINF:1,\nfile:///etc/passwd\n')],
  ])('refuses %s with a sentence and keeps nothing of it', async (_what, name, bytes) => {
    const before = readdirSync(folder)
    await expect(take(name, bytes)).rejects.toMatchObject({
      code: 'own_file_unusable',
      message: expect.stringContaining(name),
    })
    expect(readdirSync(folder)).toEqual(before)
  })
  it('draws an SVG out, keeps what is clear of it, and runs and fetches nothing in it', async () => {
    const svg = (inside: string, size = '200') =>
      Buffer.from(
        `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" ` +
          `width="${size}" height="100">${inside}</svg>`,
      )
    const outside = join(folder, 'outside.png')
    await sharp({ create: { width: 9, height: 9, channels: 3, background: '#0000ff' } }).toFile(
      outside,
    )
    const { item } = await take(
      'Sign.svg',
      svg(
        '<circle cx="50" cy="50" r="40" fill="#c02020"/><script>throw 1</script>' +
          `<image xlink:href="file://${outside}" x="110" y="10" width="80" height="80"/>` +
          `<image href="${outside}" x="110" y="10" width="80" height="80"/>`,
      ),
    )
    expect(item).toMatchObject({ kind: 'photo', width: 2048, height: 1024 })
    const { data, info } = await sharp(join(folder, item.id)).raw().toBuffer({
      resolveWithObject: true,
    })
    const at = (x: number, y: number) => [
      ...data.subarray((y * info.width + x) * info.channels).subarray(0, 4),
    ]
    expect(at(512, 512)).toEqual([0xc0, 0x20, 0x20, 255])
    expect(at(4, 4)[3]).toBe(0)
    // Where the other file would stand there is nothing.
    expect(at(1536, 512)[3]).toBe(0)
    await expect(take('Long.svg', svg('<path d="M0 0"/>', '20000'))).resolves.toMatchObject({
      item: { width: 2048 },
    })
    await expect(take('Cut.svg', svg('').subarray(0, 60))).rejects.toThrow('Cut.svg')
  })
  it('refuses a small file that unpacks to more pixels than there may be', async () => {
    const bomb = await sharp({
      create: { width: 8300, height: 8300, channels: 3, background: '#fff' },
      limitInputPixels: false,
    })
      .png({ compressionLevel: 9 })
      .toBuffer()
    expect(bomb.length).toBeLessThan(1024 * 1024)
    await expect(take('bomb.png', bomb)).rejects.toMatchObject({
      code: 'own_file_unusable',
      message: expect.stringContaining('8192'),
    })
  })
  it('refuses a small file of many large pictures before it reads them', async () => {
    const error: unknown = await take('bomb.gif', gifOf(6000, 8000)).catch((e: unknown) => e)
    expect(error).toMatchObject({
      code: 'own_file_unusable',
      message: expect.stringContaining('it has 6000 pictures of 8000 × 8000'),
    })
  })
  it('keeps nothing of an upload that is cut off', async () => {
    const before = readdirSync(folder)
    const broken = Readable.from(
      (async function* () {
        yield readFileSync(photograph('cut-off', 640, 360)).subarray(0, 2000)
        throw new Error('connection lost')
      })(),
    )
    await expect(takeOwnFile(folder, 'cut.jpg', broken)).rejects.toThrow('connection lost')
    expect(readdirSync(folder)).toEqual(before)
  })
  it('lets no name lead out of its folder', async () => {
    const { item } = await take(
      '../../../etc/cron.d/evil.jpg',
      readFileSync(photograph('own-evil', 320, 180)),
    )
    expect(item).toMatchObject({ title: 'evil', id: expect.stringMatching(/^own-[0-9a-f]{32}$/) })
    expect(await ownFacts(folder, '../secret')).toBeUndefined()
  })
})

describe('cutOwnFile', () => {
  it('parts a long clip at its cuts, which ffmpeg put there, each piece to be used alone', async () => {
    const three = join(media, 'three.mp4')
    const scene = (filter: string, seconds: number) => [
      '-f',
      'lavfi',
      '-i',
      `${filter}=s=320x180:r=25:d=${seconds}`,
    ]
    execFileSync('ffmpeg', [
      '-v',
      'error',
      '-y',
      ...scene('testsrc2', 4),
      ...scene('smptebars', 3),
      ...scene('rgbtestsrc', 3),
      '-filter_complex',
      '[0][1][2]concat=n=3',
      '-pix_fmt',
      'yuv420p',
      three,
    ])
    const { item } = await take('harbour.mp4', readFileSync(three))
    const pieces = await cutOwnFile(folder, item.id)
    expect(pieces.map(({ title }) => title)).toEqual([
      'harbour, part 1 of 3',
      'harbour, part 2 of 3',
      'harbour, part 3 of 3',
    ])
    // The cuts were put at seconds 4 and 7; a frame lasts 40 ms.
    for (const [i, seconds] of [4, 3, 3].entries())
      expect(Math.abs(pieces[i]!.seconds! - seconds)).toBeLessThanOrEqual(0.04)
    expect(await cutOwnFile(folder, item.id)).toEqual(pieces)
    const out = join(folder, 'second.mp4')
    await ownFiles(folder).download(pieces[1]!, 360, out)
    const length = Number(
      execFileSync('ffprobe', [
        '-v',
        'error',
        '-show_entries',
        'format=duration',
        '-of',
        'csv=p=0',
        out,
      ]).toString(),
    )
    expect(Math.abs(length - 3)).toBeLessThan(0.1)
  })
  it('leaves a short clip whole', async () => {
    const { item } = await take('short.mp4', readFileSync(clip('own-short', 3)))
    expect(await cutOwnFile(folder, item.id)).toEqual([])
  })
})

describe('ownFiles', () => {
  it('hands out a file and a small picture of it, and says of a lost one that it is lost', async () => {
    const files = ownFiles(folder)
    const photo = readFileSync(photograph('own-two', 640, 360))
    const {
      item: { id, title },
    } = await take('two.jpg', photo)
    const [own, small] = ['own.jpg', 'small.jpg'].map((name) => join(folder, name)) as [
      string,
      string,
    ]
    await files.download({ id, title }, 360, own)
    await files.thumbnail(id, small)
    expect(readFileSync(own)).toEqual(photo)
    expect(readFileSync(small).subarray(0, 2).toString('hex')).toBe('ffd8')
    for (const lost of [`own-${'0'.repeat(32)}`, `${id}-7`])
      await expect(files.thumbnail(lost, small)).rejects.toMatchObject({
        code: 'media_unusable',
        message: expect.stringContaining('not in the library'),
      })
  })
})
