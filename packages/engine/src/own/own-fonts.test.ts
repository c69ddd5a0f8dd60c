import { spawnSync } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { Readable } from 'node:stream'
import { describe, expect, it } from 'vitest'
import { assDocument } from '@tidy-reel/core/film/lettering/ass-document'
import { frameOf } from '@tidy-reel/core/film/lettering/frame'
import { textWidth } from '@tidy-reel/core/film/lettering/measure'
import { cueBox } from '@tidy-reel/core/film/subtitles/cue-place'
import { CALM } from '@tidy-reel/core/style/calm'
import { meetFaces, missingLetters } from '@tidy-reel/core/style/own-face'
import { fontsFolder } from '../render/fonts.ts'
import { ownFonts, takeFont } from './own-fonts.ts'

const folder = mkdtempSync(join(tmpdir(), 'tidy-fonts-'))
const take = (name: string, bytes: Buffer) => takeFont(folder, name, Readable.from([bytes]))
/** IBM Plex Mono: the interface ships it, films are not set in it. */
const PLEX = readFileSync(
  join(
    dirname(createRequire(import.meta.url).resolve('@fontsource/ibm-plex-mono/package.json')),
    'files/ibm-plex-mono-latin-400-normal.woff2',
  ),
)

describe('takeFont', () => {
  it('measures a font so that libass draws its letters where they are said to stand, and those it has not in another', async () => {
    const face = await take('My Mono.woff2', PLEX)
    expect(face).toMatchObject({ name: 'IBM Plex Mono Regular' })
    meetFaces([face])
    // All letters of a monospaced face are as wide: 600 of 1,000 (IBM's own table, by `OS/2`).
    const size = 100
    const { ascent, descent } = face.metrics
    expect(textWidth('iiii', { face: face.id, size })).toBeCloseTo(
      (4 * 600 * size) / (ascent + descent),
      3,
    )
    expect(textWidth('WWWW', { face: face.id, size })).toBe(
      textWidth('iiii', { face: face.id, size }),
    )
    const subtitle = {
      ...CALM.lettering.subtitle,
      face: face.id,
      ground: 'edge',
      size: 0.09,
    } as const
    const lettering = { ...CALM.lettering, subtitle, faces: [face] }
    const [width, height] = [640, 360]
    const fonts = await fontsFolder(folder)
    for (const lines of [['The lamp burns', 'all night'], ['The lamp Лампа']]) {
      const ass = join(folder, 'own.ass')
      const cues = [{ lines, start: 0, end: 96_000 }]
      writeFileSync(ass, assDocument({ width, height, lettering, cues, marks: [] }))
      const { stdout, stderr } = spawnSync(
        'ffmpeg',
        [
          ...[
            '-v',
            'verbose',
            '-nostdin',
            '-f',
            'lavfi',
            '-i',
            `color=0x808080:s=${width}x${height}`,
          ],
          ...['-vf', `ass=${ass}:fontsdir=${fonts}`, '-frames:v', '1'],
          ...['-f', 'rawvideo', '-pix_fmt', 'gray', '-'],
        ],
        { maxBuffer: 1 << 26 },
      )
      // libass tells which face it took for which: the very file, and the plain one for the others.
      expect(stderr.toString()).toMatch(
        /fontselect: \(IBM Plex Mono Regular, 400, 0\) -> IBMPlexMono/,
      )
      const ink = [...stdout.entries()].filter(([, level]) => Math.abs(level - 128) > 30)
      const xs = ink.map(([i]) => i % width)
      const box = cueBox({ lines }, subtitle, frameOf(width, height))
      const off = [
        Math.min(...xs) - box.x,
        Math.max(...xs) + 1 - box.x - box.width,
        Math.floor(ink[0]![0] / width) - box.y,
        Math.floor(ink.at(-1)![0] / width) + 1 - box.y - box.height,
      ]
      expect(Math.max(...off.map(Math.abs)), off.join(', ')).toBeLessThan(0.02 * width)
    }
    expect(missingLetters(face, 'The lamp, Лампа ß')).toEqual(['Л', 'а', 'м', 'п'])
  })
  it('takes one font once, whatever it is called', async () => {
    const [a, b] = [await take('A.woff2', PLEX), await take('B.woff2', PLEX)]
    expect(b).toEqual(a)
    expect(await ownFonts(folder)).toEqual([a])
  })
  it.each([
    ['nothing', Buffer.alloc(0), /it is empty/],
    ['a text', Buffer.from('no font at all'), /no font that can be read/],
    ['half a font', PLEX.subarray(0, PLEX.length / 2), /cannot be used as a font/],
    [
      'a font with its head turned',
      Buffer.from(PLEX).fill(0xff, 40, 400),
      /cannot be used as a font/,
    ],
  ])('refuses %s, says why, and keeps nothing of it', async (_what, bytes, said) => {
    const before = readdirSync(folder).length
    await expect(take('../../etc/Bad.ttf', bytes)).rejects.toThrow(said)
    expect(readdirSync(folder)).toHaveLength(before)
  })
})
