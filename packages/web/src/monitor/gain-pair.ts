import {
  curveMoments,
  type CurvePoint,
  fadeOf,
  type Fades,
  musicGains,
  SPEECH_BAND,
} from '@tidy-reel/core/film/sound/mix'
import { SAMPLE_RATE, secondsFromSamples } from '@tidy-reel/core/time/time'
import type { BedFacts } from '@tidy-reel/core/views/episode'

/** What is played: into what, from which sample of the film on, and when that is, in seconds. */
export interface Playing {
  context: AudioContext
  out: AudioNode
  from: number
  begun: number
}

/**
 * A way in for a piece of music: at its gain, coming and going as it does, and silent where it is
 * over.
 */
export function fading(
  { at, until, fades, gain }: BedFacts['pieces'][number],
  ways: readonly AudioNode[],
  { context, from, begun }: Omit<Playing, 'out'>,
): AudioNode {
  const node = new GainNode(context)
  const set = (moment: number, way: 'setValueAtTime' | 'linearRampToValueAtTime') => {
    const share = moment >= until - at ? 0 : fadeOf(until - at, moment, fades)
    const when = Math.max(context.currentTime, begun + secondsFromSamples(at + moment - from))
    node.gain[way](gain * share, when)
  }
  const first = Math.max(0, from - at)
  set(first, 'setValueAtTime')
  for (const moment of curveMoments([], until - at, STEP, fades))
    if (moment > first) set(moment, 'linearRampToValueAtTime')
  for (const way of ways) node.connect(way)
  return node
}

/** A stretch of the film that follows a gain curve, counted from its own beginning. */
export interface Curved {
  curve: readonly CurvePoint[]
  /** Samples of the film: where it begins, and how long it is. */
  start: number
  length: number
  /** Left out: the film's own. */
  fades?: Fades
}

/** A gain that moves is set so often, in samples. */
const STEP = SAMPLE_RATE / 40

/**
 * Two ways into the mix, each along its gain: as it is, and without the speech's band
 * (`musicCurve`). What is over when playing begins is left out.
 */
export function gainPair(
  { curve, start, length, fades }: Curved,
  { context, out, from, begun }: Playing,
): [plain: AudioNode, band: AudioNode] {
  const [plain, dipped] = [new GainNode(context), new GainNode(context)]
  const { hz, q, db } = SPEECH_BAND
  const band = new BiquadFilterNode(context, { type: 'peaking', frequency: hz, Q: q, gain: db })
  plain.connect(out)
  band.connect(dipped).connect(out)
  const first = Math.max(0, from - start)
  const set = (at: number, way: 'setValueAtTime' | 'linearRampToValueAtTime') => {
    const gains = musicGains(curve, length, at, fades)
    const when = Math.max(context.currentTime, begun + secondsFromSamples(start + at - from))
    plain.gain[way](gains.plain, when)
    dipped.gain[way](gains.dipped, when)
  }
  set(first, 'setValueAtTime')
  for (const at of curveMoments(curve, length, STEP, fades))
    if (at > first) set(at, 'linearRampToValueAtTime')
  return [plain, band]
}
