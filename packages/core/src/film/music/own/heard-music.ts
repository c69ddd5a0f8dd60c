import { z } from 'zod'
import { SAMPLE_RATE } from '../../../time/time.ts'
import { barsOf, type Likeness, likenessOf, unlike } from './bars.ts'
import { beatsOf } from './beats.ts'
import { FRAMES_A_SECOND, heardFrames } from './heard-frames.ts'

/** What has been heard of music: where it can be cut, and what follows what. */
export const HeardMusic = z.object({
  /** Samples of it, at 48 kHz. */
  samples: z.number(),
  /** Beats a minute; null where none is heard. */
  tempo: z.number().nullable(),
  /** Beats a bar. */
  metre: z.number(),
  /** Samples where bars begin, and where the last one ends; `[]` where no beat is heard. */
  bars: z.array(z.number()),
  /** Bars that sections begin with. */
  sections: z.array(z.number()),
  /** What each bar sounds like, to be compared by `unlike`. */
  likeness: z.array(z.array(z.number())),
})
export type HeardMusic = z.infer<typeof HeardMusic>

/** Bars before and after a place that are compared, to hear whether something new begins. */
const AROUND = 4
/** A section is so many bars long at least. */
const LEAST_SECTION = 4

/**
 * How new each bar is: the bars after it are like each other, those before it too, and both unlike
 * (J. Foote, "Automatic Audio Segmentation Using a Measure of Audio Novelty", 2000; from memory).
 */
function novelty(likeness: readonly Likeness[]): number[] {
  return likeness.map((_, at) => {
    const before = likeness.slice(Math.max(0, at - AROUND), at)
    const after = likeness.slice(at, at + AROUND)
    if (!before.length || after.length < 2) return 0
    const across = mean(before.flatMap((a) => after.map((b) => unlike(a, b))))
    return across - (within(before) + within(after)) / 2
  })
}

const mean = (values: readonly number[]) =>
  values.reduce((sum, one) => sum + one, 0) / Math.max(1, values.length)
const within = (bars: readonly Likeness[]) =>
  mean(bars.flatMap((a, i) => bars.slice(i + 1).map((b) => unlike(a, b))))

/** Bars that sections begin with, the first one among them. */
export function sectionsOf(likeness: readonly Likeness[]): number[] {
  if (!likeness.length) return []
  const news = novelty(likeness)
  const usual = mean(news)
  const spread = Math.sqrt(mean(news.map((one) => (one - usual) ** 2)))
  const starts = [0]
  news.forEach((one, at) => {
    const isPeak = one >= (news[at - 1] ?? 0) && one > (news[at + 1] ?? 0)
    const isFar = at - starts.at(-1)! >= LEAST_SECTION
    if (isPeak && isFar && one > usual + spread) starts.push(at)
  })
  return starts
}

/** The beats a minute, by the middle one of what lies between them. */
function tempoOf(beats: readonly number[]): number | null {
  const gaps = beats.slice(1).map((at, i) => at - beats[i]!)
  const middle = gaps.sort((a, b) => a - b)[gaps.length >> 1]
  return middle ? Math.round((600 * FRAMES_A_SECOND) / middle) / 10 : null
}

/** Fewer bars are not worth cutting. */
const LEAST_BARS = 4

/**
 * Hears where music can be cut: its beats, bars and sections.
 *
 * @param mono    at `HEARD_RATE`
 * @param samples of the whole at 48 kHz
 */
export function heardMusic(mono: Float32Array, samples: number): HeardMusic {
  const frames = heardFrames(mono)
  const beats = beatsOf(frames.onsets)
  const { firsts, metre } = barsOf(frames, beats)
  const begins = firsts.map((beat) => beats[beat]!)
  if (begins.length < LEAST_BARS)
    return { samples, tempo: null, metre, bars: [], sections: [], likeness: [] }
  // What comes after the last bar belongs to it, as it rings on.
  const bounds = [...begins, frames.count]
  const likeness = likenessOf(frames, bounds)
  const toSample = SAMPLE_RATE / FRAMES_A_SECOND
  return {
    samples,
    tempo: tempoOf(beats),
    metre,
    bars: [...begins.map((frame) => frame * toSample), samples],
    sections: sectionsOf(likeness),
    likeness: rounded(likeness),
  }
}

/** To a hundredth: finer nobody hears. */
const rounded = (likeness: readonly Likeness[]) =>
  likeness.map((bar) => [...bar].map((one) => Math.round(100 * one) / 100))
