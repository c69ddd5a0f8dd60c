import { execFileSync } from 'node:child_process'
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Document } from '@tidy-reel/core/document/document'
import { makeFilm } from '../make/make-film.ts'
import { memoryLibrary, photograph } from '../test/lying-library.ts'
import { shownDocument } from '../test/shown-document.ts'
import { checkFolder } from './check-folder.ts'

const data = mkdtempSync(join(tmpdir(), 'tidy-check-'))
const good = join(data, 'good')
const SCRIPT =
  '# The lamp\nThe lamp burns all night above the sea.\n\n# The keeper\n' +
  'The keeper climbs the stairs, and winds the weight to the top of the tower in the dark.'

const shown = shownDocument(SCRIPT, ['photo1', 'photo2'])
const made = (document: Document, out: string) =>
  makeFilm(document, { width: 320, height: 180, fps: [30, 1], burnIn: true }, out, {
    config: { data, stock: 'http://none', statistics: 'http://none' },
    library: memoryLibrary({
      photo1: photograph('photo1'),
      photo2: photograph('photo2'),
    }),
    signal: new AbortController().signal,
    onProgress: () => undefined,
  })
beforeAll(() => made(shown, good))
afterAll(() => rmSync(data, { recursive: true, force: true }))

let copies = 0
/** The good film, broken by ffmpeg. */
function broken(...args: string[]): string {
  const folder = join(data, `broken-${copies++}`)
  cpSync(good, folder, { recursive: true })
  execFileSync('ffmpeg', [
    ...['-v', 'error', '-y', '-i', join(good, 'film.mp4'), '-map', '0', '-c', 'copy'],
    ...args,
    ...(args.includes('-movflags') ? [] : ['-movflags', '+faststart']),
    join(folder, 'film.mp4'),
  ])
  return folder
}

/** The good film, one of the texts beside it changed. */
function told(name: string, change: (text: string) => string): string {
  const folder = join(data, `told-${copies++}`)
  cpSync(good, folder, { recursive: true })
  writeFileSync(join(folder, name), change(readFileSync(join(good, name), 'utf8')))
  return folder
}

const TAGGED = [
  ...['-color_primaries', 'bt709', '-color_trc', 'bt709'],
  ...['-colorspace', 'bt709', '-color_range', 'tv'],
]
const drawn = (filter: string) => [
  ...['-c:v', 'libx264', '-profile:v', 'high', ...TAGGED],
  ...['-vf', filter],
]
const heard = (filter: string) => ['-c:a', 'aac', '-b:a', '192k', '-af', filter]

describe('checkFolder', () => {
  it('finds nothing in a film that was made well', async () => {
    expect(await checkFolder(good)).toEqual([])
  })
  it.each([
    ['the picture is left out', ['-map', '-0:v'], 'The film has no picture.'],
    ['the sound is left out', ['-map', '-0:a'], 'The film has no sound.'],
    ['the subtitles are left out', ['-map', '-0:s'], 'The film has no track of subtitles.'],
    [
      'its colours are tagged otherwise',
      ['-bsf:v', 'h264_metadata=matrix_coefficients=6'],
      'Colours are tagged “bt709 bt709 smpte170m tv”',
    ],
    [
      'its picture has no language',
      ['-metadata:s:v:0', 'language=und'],
      'The picture is tagged with no language.',
    ],
    ['frames are missing at its end', ['-frames:v', '100'], 'The film has 100 frames, not the'],
    [
      'a second is black',
      drawn(`drawbox=color=black:t=fill:enable='between(t,1,2)'`),
      'is black for 1.',
    ],
    [
      'its last frame is black',
      drawn(`drawbox=color=black:t=fill:enable='gt(t,5.2)'`),
      'is black for',
    ],
    [
      'it stands still',
      drawn(`select='lt(n,20)',tpad=stop_mode=clone:stop=5000`).concat('-shortest'),
      'stands still for',
    ],
    ['it is too quiet', heard('volume=-6dB'), 'LUFS loud, not -14.0 within 0.5 LU'],
    ['it crackles', heard('volume=12dB'), 'dBTP, over -1: it may crackle.'],
    [
      'it is silent for long',
      heard(`volume=0:enable='between(t,0.5,6)'`),
      'Nothing is heard for 5.',
    ],
    ['its chapters are left out', ['-map_chapters', '-1'], 'The film has 0 chapters, not the 2'],
    ['its index comes last', ['-movflags', '0'], 'must be fetched to its end before it plays'],
  ] as const)('tells when %s', async (_what, args, says) => {
    const findings = await checkFolder(broken(...args))
    expect(findings.map((finding) => finding.says).join('\n')).toContain(says)
  })
  it('tells when the sound comes a fifth of a second late, and where', async () => {
    const folder = join(data, 'late')
    cpSync(good, folder, { recursive: true })
    const film = join(good, 'film.mp4')
    execFileSync('ffmpeg', [
      ...['-v', 'error', '-y', '-i', film, '-itsoffset', '0.2', '-i', film],
      ...['-map', '0:v', '-map', '1:a', '-map', '0:s', '-c', 'copy', '-movflags', '+faststart'],
      join(folder, 'film.mp4'),
    ])
    expect(await checkFolder(folder)).toContainEqual(
      expect.objectContaining({ check: 'clocks', grade: 'wrong', scene: 1 }),
    )
  })
  it.each([
    [
      'another size was asked for',
      'report.json',
      /320x180/,
      '640x360',
      'The picture is 320 × 180, not 640 × 360.',
    ],
    ['a sentence is not subtitled', 'film.srt', /keeper/, 'gull', 'What scene 2 says is not whole'],
    [
      'the film has other subtitles than its file',
      'film.srt',
      /lamp/,
      'light',
      'other words than film.srt',
    ],
    [
      'a chapter has another name',
      'chapters.txt',
      /The keeper/,
      'The gull',
      'Chapter “The gull” is “The keeper”',
    ],
    ['a licence is missing', 'ledger.csv', /CC0[^,]*/, '', 'has no licence'],
  ] as const)('tells when %s', async (_what, file, from, to, says) => {
    const findings = await checkFolder(told(file, (text) => text.replace(from, to)))
    expect(findings.map((finding) => finding.says).join('\n')).toContain(says)
  })
  it('is part of making a film, whose report names scenes by their ids too', async () => {
    const picking = { ...shown.picking, longest: 4 }
    const { check, segmentsReused } = await made({ ...shown, picking }, join(data, 'quick'))
    expect(segmentsReused).toBe(2)
    expect(check).toEqual([
      expect.objectContaining({ check: 'long', grade: 'look', sceneId: shown.scenes[1]!.id }),
    ])
  })
  it('says in a sentence what a folder lacks to be checked', async () => {
    await expect(checkFolder(join(data, 'nowhere'))).rejects.toMatchObject({
      code: 'film_folder_unusable',
      message: expect.stringContaining('report.json'),
    })
    await expect(checkFolder(told('film.mp4', () => 'no film'))).rejects.toMatchObject({
      code: 'film_folder_unusable',
    })
    await expect(checkFolder(told('report.json', (text) => text.slice(0, 20)))).rejects.toThrow(
      'it tells no frames',
    )
    await expect(checkFolder(told('shots.csv', () => 'a,b\n1,2'))).rejects.toThrow('no column')
  })
})
