import { createReadStream, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { bedPlan } from '@tidy-reel/core/film/music/bed-plan'
import type { FilmMusic } from '@tidy-reel/core/film/music/film-music'
import { ownCuts } from '@tidy-reel/core/film/music/own/own-cuts'
import type { OwnMusic } from '@tidy-reel/core/film/music/own/own-music'
import { ebur128 } from '../../test/media-facts.ts'
import { makeBed } from '../bed.ts'
import { bedFile, bedMidi } from './bed-file.ts'
import { ownShelf, takeMusic } from './own-music.ts'
import { listenTo, midiNotes } from './own-sound.ts'

const work = mkdtempSync(join(tmpdir(), 'tidy-own-music-'))
const place = { beds: join(work, 'beds'), music: join(work, 'music') }
afterAll(() => rmSync(work, { recursive: true, force: true }))

/** A minute of music with a beat, its bars known to the sample: as a MIDI file has them. */
const TEMPO_FORM = { samples: 60 * 48_000, chapters: [], spokenStart: 60 * 48_000 }
const plan = bedPlan({ mood: 'busy', seed: 'own' }, { ...TEMPO_FORM, spokenEnd: 57 * 48_000 })
let music: OwnMusic
beforeAll(async () => {
  const file = join(work, 'busy.mid')
  writeFileSync(file, bedMidi(plan))
  const bytes = createReadStream(file)
  const hearing = { listen: listenTo, notes: (midi: string) => midiNotes(midi) }
  music = await takeMusic(place.music, { name: 'busy.mid', bytes }, hearing)
})

describe('own music', () => {
  it('is heard with the tempo and the bars it was written in, within 50 ms', async () => {
    expect(Math.abs(music.tempo! - plan.tempo)).toBeLessThan(1.5)
    const heard = await listenTo({ folder: place.music, id: music.id })
    const written = plan.placed.flatMap(({ id, at }) => {
      const { bars } = plan.sections.find((one) => one.id === id)!.order
      return Array.from({ length: bars }, (_, i) => at + (i * 240 * 48_000) / plan.tempo)
    })
    const found = heard.bars.slice(0, -1)
    // The silence before its first note has been taken off: one of them is the first one written.
    const right = found.map((first) => {
      const isRight = (at: number) =>
        written.some((one) => Math.abs(one - written[4]! + first - at) < 0.05 * 48_000)
      return found.filter(isRight).length / found.length
    })
    // The last bar is held: beats go on in it that nobody wrote.
    expect(Math.max(...right)).toBeGreaterThan(0.9)
  })

  it.each([25, 150])('is made %i s long without a click, as loud as all music', async (seconds) => {
    const samples = seconds * 48_000
    const own = (await ownShelf(place.music)).byId(music.id)!
    const cuts = ownCuts(await listenTo({ folder: place.music, id: music.id }), samples, true)
    expect(cuts.length).toBeGreaterThan(1)
    const film: FilmMusic = {
      samples,
      parts: [{ from: 0, to: samples, music: { kind: 'own', ...own } }],
    }
    const file = join(work, `own-${seconds}.wav`)
    await bedFile(await makeBed(place, film), samples, file)
    expect(Math.abs(ebur128(file).lufs + 26)).toBeLessThan(1)
    const bytes = readFileSync(file).subarray(44)
    const turns = new Float32Array(
      bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + (bytes.length & ~7)),
    )
    const step = (at: number) => Math.abs((turns[2 * at + 2] ?? 0) - (turns[2 * at] ?? 0))
    const largest = (from: number, to: number) => {
      let most = 0
      for (let at = Math.max(0, Math.round(from)); at < to; at++) most = Math.max(most, step(at))
      return most
    }
    const usual = largest(0, samples)
    // At a join no step is larger than the notes themselves make elsewhere.
    for (const { at, fades } of cuts.slice(1)) {
      const joined = largest(at - 50, at + fades[0] + 50)
      const around = Math.max(
        largest(at - 96_000, at - 50),
        largest(at + fades[0] + 50, at + 96_000),
      )
      expect(joined).toBeLessThanOrEqual(Math.min(usual, 1.2 * around))
    }
  })
})
