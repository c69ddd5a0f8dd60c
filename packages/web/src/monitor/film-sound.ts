import type { SoundCue } from '@tidy-reel/core/film/sound/effects/sound-cue'
import {
  musicCurve,
  type Nearer,
  SPEECH_LUFS,
  TRUE_PEAK_DBTP,
} from '@tidy-reel/core/film/sound/mix'
import { readingLevel } from '@tidy-reel/core/film/sound/reading-level'
import { spokenSpans } from '@tidy-reel/core/film/sound/spoken-spans'
import type { Mixing } from '@tidy-reel/core/style/film-choices'
import { SAMPLE_RATE } from '@tidy-reel/core/time/time'
import type { Timeline } from '@tidy-reel/core/timeline/timeline'
import type { BedFacts } from '@tidy-reel/core/views/episode'
import { bedSound, effectSound, takeSound } from '../api/media.ts'
import { playCue } from './effects-deck.ts'
import { fading, gainPair } from './gain-pair.ts'
import type { Metered } from './live-meter.ts'
import worklet from './meter.worklet.ts?worker&url'

/** Parts of a film's sound that can be heard alone. */
export const LANES = ['voice', 'music', 'sounds'] as const
export type Lane = (typeof LANES)[number]

/** What the monitor plays: the takes of the film, the bed under them and the sounds beside. */
export interface FilmSound {
  film: Timeline
  takes: Record<string, { hash: string }>
  bed: BedFacts | null
  cues: readonly SoundCue[]
  mixing: Mixing
  /** Where the music lies nearer to the voice than in the film. */
  nearer: Nearer
  /** Heard as it would be without the mix: the music stays where it is, all is read alike. */
  unmixed?: boolean
}

export interface SoundDeck {
  /**
   * Starts sounding at a sample of the film. @returns the moment of the clock it starts at, in
   * seconds
   */
  start(sound: FilmSound, from: number, rate: number): number
  stop(): void
  /** Which parts are heard from now on. */
  hear(lanes: ReadonlySet<Lane>): void
  /** Tells how loud it is from now on. */
  listen(told: (metered: Metered) => void): void
  /**
   * Seconds of the sound card's clock, which the picture follows; the computer's own where there is
   * no card.
   */
  now(): number
  /** Fetches the takes that will be heard next. */
  warm(sound: FilmSound, from: number): void
}

const AHEAD_SECONDS = 6
const LOOK_MS = 400
/** Sounds at other speeds are taken for a look through, not for listening. */
const AUDIBLE = { slowest: 0.5, fastest: 2 }

const LIMIT = { threshold: TRUE_PEAK_DBTP - 2, ratio: 20 }
/** What a compressor of the Web Audio API makes everything louder by, which nobody asked for. */
const MAKEUP_DB = 0.6 * (1 - 1 / LIMIT.ratio) * -LIMIT.threshold

/** Takes and bed through Web Audio, at the samples and the gain the render gives them. */
export function soundDeck(): SoundDeck {
  let context: AudioContext | undefined
  let outs: Record<Lane, GainNode> | undefined
  let heard: ReadonlySet<Lane> = new Set(LANES)
  /** From the loudness things are mixed at to the film's. */
  let loudness: AudioParam | undefined
  let sources: AudioScheduledSourceNode[] = []
  let looking = 0
  let meter: AudioWorkletNode | undefined
  let tell: ((metered: Metered) => void) | undefined
  /** Counts the times that playing began: what was asked for before is not heard. */
  let round = 0
  /** Fetches the sections of music that are heard soon. */
  let sectionsNear: ((at: number) => void) | undefined
  const buffers = new Map<string, Promise<AudioBuffer | undefined>>()

  const open = () => {
    if (context) return context
    context = new AudioContext({ sampleRate: SAMPLE_RATE, latencyHint: 'interactive' })
    const level = context.createGain()
    const limit = new DynamicsCompressorNode(context, {
      threshold: LIMIT.threshold,
      knee: 0,
      ratio: LIMIT.ratio,
      attack: 0.002,
      release: 0.07,
    })
    const asMixed = new GainNode(context, { gain: 10 ** (-MAKEUP_DB / 20) })
    level.connect(limit).connect(asMixed).connect(context.destination)
    if (tell) void measured(context, asMixed)
    const lane = (name: Lane) => {
      const node = new GainNode(context!, { gain: heard.has(name) ? 1 : 0 })
      node.connect(level)
      return node
    }
    outs = { voice: lane('voice'), music: lane('music'), sounds: lane('sounds') }
    loudness = level.gain
    return context
  }
  const buffer = (address: string) => {
    let found = buffers.get(address)
    if (!found) {
      const decoding = open()
      found = fetch(address)
        .then(async (answer) =>
          answer.ok ? decoding.decodeAudioData(await answer.arrayBuffer()) : undefined,
        )
        .catch(() => undefined)
      buffers.set(address, found)
      void found.then((came) => came ?? buffers.delete(address))
    }
    return found
  }
  /** Measures what goes out; a browser that cannot plays it all the same. */
  async function measured(sounding: AudioContext, from: AudioNode) {
    try {
      await sounding.audioWorklet.addModule(worklet)
      meter = new AudioWorkletNode(sounding, 'meter', { numberOfOutputs: 0 })
      meter.port.onmessage = ({ data }: MessageEvent<Metered>) => tell?.(data)
      from.connect(meter)
    } catch {
      meter = undefined
    }
  }
  const seconds = (samples: number) => samples / SAMPLE_RATE
  const now = () =>
    context?.state === 'running'
      ? context.currentTime - (context.outputLatency || 0)
      : performance.now() / 1000

  /** Plays a buffer whose first sample belongs at `at` of the film. */
  function place(
    sounding: AudioContext,
    came: AudioBuffer,
    at: number,
    from: number,
    begun: number,
    rate: number,
    into: AudioNode,
  ) {
    const offset = Math.max(0, seconds(from - at))
    if (offset >= came.duration) return
    const source = new AudioBufferSourceNode(sounding, { buffer: came, playbackRate: rate })
    source.connect(into)
    const when = begun + Math.max(0, seconds(at - from)) / rate
    const late = Math.max(0, sounding.currentTime - when)
    source.start(Math.max(when, sounding.currentTime), offset + late * rate)
    sources.push(source)
  }

  /** The bed twice, as it is and without the speech's band, each along its gain (`musicCurve`). */
  function startBed(sounding: AudioContext, sound: FilmSound, from: number, begun: number) {
    const { film, bed, takes, mixing } = sound
    if (!bed) return
    const spoken = spokenSpans(film.scenes, (id) => id in takes)
    const still = { at: 0, db: SPEECH_LUFS - mixing.below - bed.lufs, dip: 0 }
    const curve = sound.unmixed
      ? [still]
      : musicCurve(film.samples, spoken, bed, mixing, sound.nearer)
    const ways = gainPair(
      { curve, start: 0, length: film.samples },
      { context: sounding, out: outs!.music, from, begun },
    )
    const turn = round
    const asked = new Set<number>()
    sectionsNear = (at) => {
      for (const [i, piece] of bed.pieces.entries()) {
        if (piece.at > at + AHEAD_SECONDS * SAMPLE_RATE) break
        if (piece.until <= Math.max(from, at) || asked.has(i)) continue
        asked.add(i)
        void buffer(bedSound(piece.hash)).then((came) => {
          if (!came || turn !== round) return
          const playing = { context: sounding, from, begun }
          const into = fading(piece, ways, playing)
          place(sounding, came, piece.at, from, begun, 1, into)
        })
      }
    }
  }

  function stop() {
    clearInterval(looking)
    round++
    sectionsNear = undefined
    for (const source of sources) source.disconnect()
    sources = []
  }
  /** Sounds are fetched when they are near; one that is being heard already is begun inside. */
  function cuesFrom(sound: FilmSound, from: number, begun: number) {
    const spoken = spokenSpans(sound.film.scenes, (id) => id in sound.takes)
    const asked = new Set<SoundCue>()
    const turn = round
    return (at: number) => {
      for (const cue of sound.cues) {
        if (cue.start > at + AHEAD_SECONDS * SAMPLE_RATE) break
        if (cue.end <= Math.max(from, at) || asked.has(cue)) continue
        asked.add(cue)
        void buffer(effectSound(cue.sound.hash)).then((came) => {
          if (!came || turn !== round || !context) return
          const playing = { context, out: outs!.sounds, from, begun }
          sources.push(playCue(cue, came, spoken, playing))
        })
      }
    }
  }

  return {
    now,
    stop,
    listen: (told) => (tell = told),
    hear(lanes) {
      heard = lanes
      if (!outs || !context) return
      for (const name of LANES)
        outs[name].gain.setTargetAtTime(lanes.has(name) ? 1 : 0, context.currentTime, 0.02)
    },
    warm({ film, takes }, from) {
      for (const scene of film.scenes) {
        if (scene.speechEnd < from) continue
        if (scene.speechStart > from + AHEAD_SECONDS * SAMPLE_RATE) break
        const take = takes[scene.id]
        if (take) void buffer(takeSound(take.hash))
      }
    },
    start(sound, from, rate) {
      stop()
      const sounding = open()
      void sounding.resume()
      meter?.port.postMessage('clear')
      if (loudness) loudness.value = 10 ** ((sound.mixing.lufs - SPEECH_LUFS) / 20)
      const begun = sounding.currentTime + 0.06
      if (rate < AUDIBLE.slowest || rate > AUDIBLE.fastest) return now()
      const asked = new Set<string>()
      const voiceAt = (i: number) => {
        const gain = sound.unmixed ? 1 : 10 ** (readingLevel(sound.film.scenes, i) / 20)
        const node = new GainNode(sounding, { gain })
        node.connect(outs!.voice)
        return node
      }
      const cuesNear = rate === 1 ? cuesFrom(sound, from, begun) : undefined
      const look = () => {
        const at = from + (sounding.currentTime - begun) * rate * SAMPLE_RATE
        cuesNear?.(at)
        sectionsNear?.(at)
        for (const [i, scene] of sound.film.scenes.entries()) {
          if (scene.speechEnd <= Math.max(from, at) || asked.has(scene.id)) continue
          if (scene.speechStart > at + AHEAD_SECONDS * SAMPLE_RATE) break
          asked.add(scene.id)
          const take = sound.takes[scene.id]
          const turn = looking
          if (take)
            void buffer(takeSound(take.hash)).then(
              (came) =>
                came &&
                turn === looking &&
                place(sounding, came, scene.speechStart, from, begun, rate, voiceAt(i)),
            )
        }
      }
      looking = window.setInterval(look, LOOK_MS)
      if (rate === 1) startBed(sounding, sound, from, begun)
      look()
      return sounding.state === 'running' ? begun : now()
    },
  }
}
