import { execFileSync } from 'node:child_process'
import { existsSync, mkdtempSync, statSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import sharp from 'sharp'
import { beforeAll, describe, expect, it } from 'vitest'
import { COPY_NAMES, copyKind, copyName, type CopyWish } from '@tidy-reel/core/export/copies'
import { filmCopy } from './film-copy.ts'

const work = mkdtempSync(join(tmpdir(), 'tidy-copies-'))
const film = join(work, 'film.mp4')
const SECONDS = 4
const { signal } = new AbortController()
const make = (wish: CopyWish, told: number[] = []) =>
  filmCopy(film, wish, join(work, copyName(wish)), {
    signal,
    onProgress: (done) => told.push(done),
  })

beforeAll(() => {
  writeFileSync(
    join(work, 'chapters.txt'),
    ';FFMETADATA1\ntitle=Tides\n[CHAPTER]\nTIMEBASE=1/1\nSTART=0\nEND=2\ntitle=One\n' +
      '[CHAPTER]\nTIMEBASE=1/1\nSTART=2\nEND=4\ntitle=Two\n',
  )
  writeFileSync(join(work, 'film.srt'), '1\n00:00:00,500 --> 00:00:02,000\nThe sea comes.\n')
  execFileSync('ffmpeg', [
    ...['-v', 'error', '-y', '-f', 'lavfi', '-i', `testsrc2=s=640x360:r=25:d=${SECONDS}`],
    ...['-f', 'lavfi', '-i', `sine=f=440:d=${SECONDS}`, '-i', join(work, 'film.srt')],
    ...['-i', join(work, 'chapters.txt'), '-map', '0', '-map', '1', '-map', '2:s'],
    ...['-map_metadata', '3', '-map_chapters', '3', '-pix_fmt', 'yuv420p', '-c:s', 'mov_text'],
    ...['-metadata:s:a:0', 'language=eng', '-metadata:s:s:0', 'language=eng', film],
  ])
})

/** What ffprobe, which made none of it, says of a file. */
function probed(file: string) {
  const told = execFileSync(
    'ffprobe',
    ['-v', 'error', '-show_streams', '-show_format', '-show_chapters', '-of', 'json', file],
    { encoding: 'utf8' },
  )
  return JSON.parse(told) as {
    streams: {
      codec_name: string
      codec_type: string
      height?: number
      profile?: string
      color_space?: string
      tags?: { language?: string }
    }[]
    format: { duration?: string; format_name: string; tags?: Record<string, string> }
    chapters: { tags: { title: string } }[]
  }
}
/** Each kind's codecs, as their standards' names are in ffprobe. */
const CODECS: Record<string, string[]> = {
  mp4: ['h264', 'aac', 'mov_text'],
  hevc: ['hevc', 'aac', 'mov_text'],
  webm: ['vp9', 'opus', 'webvtt'],
  av1: ['av1', 'opus', 'webvtt'],
  mov: ['dnxhd', 'pcm_s16le'],
  gif: ['gif'],
  webp: ['webp'],
  still: ['png'],
  wav: ['pcm_s16le'],
  flac: ['flac'],
  mp3: ['mp3'],
}
const WISHES: Partial<Record<string, Partial<CopyWish>>> = {
  gif: { from: 1, to: 3 },
  webp: { from: 1, to: 3 },
  still: { from: 2 },
}

describe('filmCopy', () => {
  it.each(COPY_NAMES)(
    'makes a %s of what it says, of 180 lines, and tells how far it is',
    async (kind) => {
      const { isSound, longest, isStill } = copyKind(kind)
      const wish: CopyWish = { kind, ...(isSound ? {} : { lines: 180 }), ...WISHES[kind] }
      const told: number[] = []
      const bytes = await make(wish, told)
      const file = join(work, copyName(wish))
      expect(bytes).toBe(statSync(file).size)
      if (!isStill && kind !== 'webp') expect(Math.max(...told)).toBeGreaterThan(0.5)
      expect(told).toEqual([...told].sort((a, b) => a - b))
      if (kind === 'webp') {
        // ffmpeg 5 reads no moving WebP: sharp (libvips) does.
        const { pages, height, pageHeight } = await sharp(file, { animated: true }).metadata()
        expect([pageHeight ?? height, pages]).toEqual([180, 24])
        return
      }
      const { streams, format, chapters } = probed(file)
      // Chapters of an MP4 are a track of their own, of data.
      const shown = streams.filter(({ codec_type }) => codec_type !== 'data')
      expect(shown.map(({ codec_name }) => codec_name)).toEqual(CODECS[kind])
      const [picture] = streams
      if (!isSound) expect(picture?.height).toBe(180)
      if (!isSound && !longest && !isStill) {
        expect(Math.abs(Number(format.duration) - SECONDS)).toBeLessThan(0.1)
        expect(chapters.map(({ tags }) => tags.title)).toEqual(['One', 'Two'])
        expect(picture?.color_space).toBe('bt709')
      }
      if (isSound) expect(Math.abs(Number(format.duration) - SECONDS)).toBeLessThan(0.1)
      if (longest) expect(Math.abs(Number(format.duration) - 2)).toBeLessThan(0.15)
    },
  )
  it('takes the frame that is asked for', async () => {
    const wish: CopyWish = { kind: 'still', from: 1.5 }
    await make(wish)
    execFileSync('ffmpeg', [
      ...['-v', 'error', '-y', '-i', film, '-vf', "select='between(n,36,38)'", '-vsync', '0'],
      join(work, 'frame-%d.png'),
    ])
    const pixels = (name: string) => sharp(join(work, name)).removeAlpha().raw().toBuffer()
    const own = await pixels(copyName(wish))
    const apart = (other: Buffer) =>
      own.reduce((sum, tone, i) => sum + Math.abs(tone - (other[i] ?? 0)), 0) / own.length
    const frames = await Promise.all([1, 2, 3].map((n) => pixels(`frame-${n}.png`)))
    // At 25 a second the first frame from 1.5 s on is number 38, counted from 0.
    expect(frames.map(apart).map((far) => far < 0.5)).toEqual([false, false, true])
  })
  it.each(['mp4', 'hevc', 'webm'] as const)(
    'makes a %s no larger than asked, in two passes',
    async (kind) => {
      const wish: CopyWish = { kind, megabytes: 0.2, lines: kind === 'webm' ? 180 : 360 }
      const told: number[] = []
      const bytes = await make(wish, told)
      expect(bytes).toBeLessThanOrEqual(200_000)
      expect(bytes).toBeGreaterThan(90_000)
      expect(probed(join(work, copyName(wish))).streams[0]?.height).toBe(wish.lines)
    },
  )
  it('says how large a copy has to be that cannot be so small, and leaves nothing', async () => {
    const wish: CopyWish = { kind: 'mp4', megabytes: 0.1 }
    // 4 s of 40 kbit/s picture and 128 kbit/s sound, in 96 % of the file: 0.0875 MB.
    await expect(make({ ...wish, from: 0, to: 4 })).resolves.toBeLessThanOrEqual(100_000)
    const long = { ...wish, lines: 90 as const }
    execFileSync('ffmpeg', [
      '-v',
      'error',
      '-y',
      '-stream_loop',
      '9',
      '-i',
      film,
      '-c',
      'copy',
      join(work, 'long.mp4'),
    ])
    const out = join(work, 'none.mp4')
    await expect(
      filmCopy(join(work, 'long.mp4'), long, out, { signal, onProgress: () => undefined }),
    ).rejects.toMatchObject({ code: 'copy_too_small', details: { least: 0.9 } })
    expect(existsSync(out)).toBe(false)
  })
  it('refuses a place beyond the film', () =>
    expect(make({ kind: 'gif', from: 90, to: 95 })).rejects.toMatchObject({
      code: 'copy_beyond_film',
    }))
  it('leaves nothing half done when it is stopped', async () => {
    const stop = new AbortController()
    const out = join(work, 'stopped.webm')
    const making = filmCopy(film, { kind: 'webm' }, out, {
      signal: stop.signal,
      onProgress: () => stop.abort(),
    })
    await expect(making).rejects.toMatchObject({ code: 'cancelled' })
    expect(existsSync(out)).toBe(false)
  })
})
