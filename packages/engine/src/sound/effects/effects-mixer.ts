import { speechBandFilter } from '@tidy-reel/core/film/sound/bed-levels'
import { cueCurve } from '@tidy-reel/core/film/sound/effects/cue-gain'
import type { SoundCue } from '@tidy-reel/core/film/sound/effects/sound-cue'
import { musicGains, type SpokenSpan } from '@tidy-reel/core/film/sound/mix'
import { SAMPLE_RATE } from '@tidy-reel/core/time/time'
import { alongCurve } from '../along-curve.ts'
import { channelsIn } from '../read-wav.ts'
import { soundFile } from './sound-file.ts'

type Channels = [Float32Array, Float32Array]

/** The sounds of a film, and where their files are. */
export interface Effects {
  cues: readonly SoundCue[]
  folder: string
}

/** A piece of a film's sounds, and what of it goes on for longer than a moment. */
export interface EffectsPiece {
  all: Channels
  lasting: Channels
}

/** Mixes a film's sounds along their curves, a piece at a time and in order. */
export function effectsMixer({ cues, folder }: Effects, spoken: readonly SpokenSpan[]) {
  const players = cues.map((cue) => ({ cue, play: cuePlayer(cue, spoken) }))
  const files = new Map<string, Promise<Channels>>()
  const fileOf = ({ sound: { hash } }: SoundCue) => {
    const found = files.get(hash) ?? channelsIn(soundFile(folder, hash))
    files.set(hash, found)
    return found
  }
  return async (at: number, count: number): Promise<EffectsPiece> => {
    const all: Channels = [new Float32Array(count), new Float32Array(count)]
    const lasting: Channels = [new Float32Array(count), new Float32Array(count)]
    for (const { cue, play } of players) {
      if (cue.start >= at + count || cue.end <= at) continue
      const piece = play(await fileOf(cue), at, count)
      addTo(all, piece)
      if (cue.sound.goesOn) addTo(lasting, piece)
    }
    // What is not heard again is not kept: a film may have more sounds than fit into memory.
    const ahead = new Set(cues.filter(({ end }) => end > at + count).map(({ sound }) => sound.hash))
    for (const hash of files.keys()) if (!ahead.has(hash)) files.delete(hash)
    return { all, lasting }
  }
}

function addTo(sum: Channels, piece: Channels) {
  for (const [c, pcm] of piece.entries())
    for (let i = 0; i < pcm.length; i++) sum[c]![i]! += pcm[i]!
}

/** Plays one cue along its curve; silence where it is not heard. */
function cuePlayer(cue: SoundCue, spoken: readonly SpokenSpan[]) {
  const curve = cueCurve(cue, spoken)
  const dip = [speechBandFilter(SAMPLE_RATE), speechBandFilter(SAMPLE_RATE)] as const
  const gainsAt = (at: number) => musicGains(curve, cue.end - cue.start, at - cue.start, cue.fades)
  return (sound: Channels, at: number, count: number): Channels => {
    const heard = sound.map((pcm) => played(cue, pcm, at, count)) as Channels
    const dipped = cue.sound.goesOn ? ([dip[0](heard[0]), dip[1](heard[1])] as const) : undefined
    alongCurve(heard, dipped, (i) => gainsAt(at + i))
    return heard
  }
}

/** A stretch of a cue's sound at its speed, round after round where it goes on. */
function played(
  { start, end, from, speed, sound }: SoundCue,
  pcm: Float32Array,
  at: number,
  count: number,
): Float32Array {
  const out = new Float32Array(count)
  const first = Math.max(0, start - at)
  const last = Math.min(count, end - at)
  for (let i = first; i < last; i++) {
    const place = from + (at + i - start) * speed
    const whole = Math.floor(place)
    const here = sound.goesOn ? whole % pcm.length : whole
    const next = sound.goesOn && here + 1 === pcm.length ? 0 : here + 1
    const a = pcm[here] ?? 0
    out[i] = a + ((pcm[next] ?? 0) - a) * (place - whole)
  }
  return out
}
