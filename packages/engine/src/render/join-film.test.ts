import { execFileSync } from 'node:child_process'
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { itemAt } from '@tidy-reel/core/faults/certain'
import type { FrameRate } from '@tidy-reel/core/time/time'
import { joinFilm } from './film.ts'
import { ENCODER, timescaleOf } from './segment-args.ts'

const folder = mkdtempSync(join(tmpdir(), 'tidy-join-'))
const ffmpeg = (...args: string[]) => execFileSync('ffmpeg', ['-v', 'error', '-y', ...args])
const probe = (file: string, ...args: string[]) =>
  execFileSync('ffprobe', ['-v', 'error', ...args, '-of', 'csv=p=0', file], {
    maxBuffer: 1e8,
  }).toString()

/** Lengths of segments that do not come out even in any rate; frames each. */
const LENGTHS = [7, 11, 5, 13, 8]
const SEGMENTS = 500
const RATES: FrameRate[] = [
  [24_000, 1001],
  [25, 1],
  [30_000, 1001],
]

function segment(rate: FrameRate, frames: number): string {
  const file = join(folder, `${rate.join('-')}-${frames}.mp4`)
  const source = `testsrc=s=32x32:r=${rate.join('/')}`
  const scale = String(timescaleOf(rate))
  ffmpeg(
    ...['-f', 'lavfi', '-i', source, '-frames:v', String(frames), ...ENCODER],
    ...['-video_track_timescale', scale, file],
  )
  return file
}

/** A film of many segments, and its picture's times in ticks of its track, in order. */
async function joined(fps: FrameRate, segments = SEGMENTS, burnIn = true, language = 'en-GB') {
  const frames = Array.from({ length: segments }, (_, i) => itemAt(LENGTHS, i % LENGTHS.length))
  const made = new Map(LENGTHS.map((length) => [length, segment(fps, length)]))
  const all = frames.reduce((sum, each) => sum + each, 0)
  const seconds = (all * fps[1]) / fps[0]
  const mix = join(folder, `${fps.join('-')}.m4a`)
  ffmpeg('-f', 'lavfi', '-i', `anullsrc=r=48000:cl=mono:d=${seconds}`, '-b:a', '16k', mix)
  const out = join(folder, `${fps.join('-')}-${burnIn}.mp4`)
  const parts = {
    segments: frames.map((length) => made.get(length)!),
    frames,
    fps,
    mix,
    subtitles: [{ srt: '1\n00:00:00,500 --> 00:00:01,500\nThe lamp burns.\n', language }],
    metadata: ';FFMETADATA1\ntitle=T\n',
    language,
    burnIn,
  }
  const work = mkdtempSync(join(folder, 'work-'))
  await joinFilm(work, parts, out, new AbortController().signal)
  const times = probe(out, '-select_streams', 'v:0', '-show_entries', 'packet=pts')
    .split('\n')
    .filter(Boolean)
    .map((line) => parseInt(line))
    .sort((a, b) => a - b)
  return { out, all, seconds, times }
}

describe('joinFilm', () => {
  it.each(RATES)(
    'keeps every frame of 500 segments on its exact time at %i/%i frames a second, to the last',
    async (...fps) => {
      const { out, all, seconds, times } = await joined(fps)
      const ticks = (timescaleOf(fps) * fps[1]) / fps[0]
      expect(times).toHaveLength(all)
      times.forEach((time, frame) => {
        if (time !== frame * ticks) expect([frame, time]).toEqual([frame, frame * ticks])
      })
      const facts = probe(
        out,
        ...['-select_streams', 'v:0', '-show_entries', 'stream=r_frame_rate,avg_frame_rate'],
      )
      expect(facts.trim()).toBe(`${fps.join('/')},${fps.join('/')}`)
      // Voice against picture at the film's end: at most half a frame.
      const sound = Number(probe(out, '-select_streams', 'a', '-show_entries', 'stream=duration'))
      expect(Math.abs(sound - seconds)).toBeLessThanOrEqual((0.5 * fps[1]) / fps[0])
    },
  )
  it('tags picture, sound and subtitles with the language, and shows words that are burnt in only once', async () => {
    const tracks = (file: string) =>
      probe(
        file,
        ...['-show_entries', 'stream=codec_type:stream_tags=language:stream_disposition=default'],
      )
        .trim()
        .split('\n')
    const burnt = await joined([25, 1], 3, true, 'de-DE')
    expect(tracks(burnt.out)).toEqual(['video,1,deu', 'audio,1,deu', 'subtitle,0,deu'])
    const soft = await joined([25, 1], 3, false, 'cmn')
    expect(tracks(soft.out)).toEqual(['video,1,zho', 'audio,1,zho', 'subtitle,1,zho'])
  })
})
