import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, describe, expect, it } from 'vitest'
import type { Stretch } from '@tidy-reel/core/export/check/measured-film'
import { ENCODER } from '../render/segment-args.ts'
import { measuredFilm } from './measured-film.ts'
import { pictureHoles } from './picture-holes.ts'

const folder = mkdtempSync(join(tmpdir(), 'tidy-holes-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

const FPS = [30, 1] as const
const { signal } = new AbortController()
/** Seconds that one of four frames may be off by. */
const NEAR = 0.15

/** A moving picture of so many seconds, drawn over by a filter. */
function piece(name: string, seconds: number, filter: string) {
  const file = join(folder, `${name}.mp4`)
  execFileSync('ffmpeg', [
    ...['-v', 'error', '-y', '-f', 'lavfi', '-i', `testsrc2=s=320x180:r=30:d=${seconds}`],
    ...['-vf', filter, ...ENCODER, '-frames:v', String(seconds * 30), file],
  ])
  return { file, frames: seconds * 30 }
}
const black = (when: string) => `drawbox=color=black:t=fill:enable='${when}'`

function joined(pieces: readonly { file: string }[]): string {
  const list = join(folder, 'list.txt')
  writeFileSync(list, pieces.map(({ file }) => `file '${file}'`).join('\n'))
  const film = join(folder, 'joined.mp4')
  execFileSync('ffmpeg', [
    ...['-v', 'error', '-y', '-f', 'concat', '-safe', '0', '-i', list, '-c', 'copy', film],
  ])
  return film
}

const isIn = (part: Stretch, whole: Stretch) =>
  part.from >= whole.from - NEAR && part.to <= whole.to + NEAR
const lengthOf = (stretches: readonly Stretch[]) =>
  stretches.reduce((sum, { from, to }) => sum + to - from, 0)

describe('pictureHoles', () => {
  it('finds in pieces what one look at every frame of the whole film finds', async () => {
    const pieces = [
      piece('ends-black', 3, black('gte(t,2)')),
      piece('begins-black', 4, `${black('lt(t,0.5)')},loop=loop=75:size=1:start=45`),
      piece('moves', 2, 'null'),
      piece('ends-still', 4, 'loop=loop=100:size=1:start=20'),
    ]
    const holes = await pictureHoles(pieces, FPS, signal, () => undefined)
    const whole = await measuredFilm(joined(pieces))
    expect(whole.black).toHaveLength(1)
    expect(lengthOf(holes.black)).toBeCloseTo(lengthOf(whole.black), 0)
    expect(whole.frozen.length).toBeGreaterThanOrEqual(2)
    for (const kind of ['black', 'frozen'] as const) {
      for (const stretch of whole[kind]) {
        const parts = holes[kind].filter((part) => isIn(part, stretch))
        expect(lengthOf(parts)).toBeCloseTo(stretch.to - stretch.from, 0)
      }
    }
  })
  it('looks at a piece once, and counts those it has', async () => {
    const one = piece('once', 1, 'null')
    const told: number[] = []
    await pictureHoles([one], FPS, signal, (done) => told.push(done))
    const first = statSync(join(folder, 'once.holes.json')).mtimeMs
    await pictureHoles([one, one], FPS, signal, (done) => told.push(done))
    expect(statSync(join(folder, 'once.holes.json')).mtimeMs).toBe(first)
    expect(told).toEqual([1, 1, 2])
  })
  it('says so when a piece cannot be decoded', async () => {
    const file = join(folder, 'broken.mp4')
    writeFileSync(file, 'no film')
    await expect(
      pictureHoles([{ file, frames: 30 }], FPS, signal, () => undefined),
    ).rejects.toMatchObject({ code: 'program_failed' })
  })
})
