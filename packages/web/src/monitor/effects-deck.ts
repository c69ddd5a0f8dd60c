import { cueCurve } from '@tidy-reel/core/film/sound/effects/cue-gain'
import type { SoundCue } from '@tidy-reel/core/film/sound/effects/sound-cues'
import {
  curveMoments,
  type CurvePoint,
  musicGains,
  SPEECH_BAND,
  type SpokenSpan,
} from '@tidy-reel/core/film/sound/mix'
import { SAMPLE_RATE } from '@tidy-reel/core/time/time'

/** What a cue is played on: from which sample of the film on, and when that is, in seconds. */
interface Playing {
  context: AudioContext
  out: AudioNode
  from: number
  begun: number
}

const seconds = (samples: number) => samples / SAMPLE_RATE
/** A gain that moves is set so often, in samples. */
const STEP = SAMPLE_RATE / 40

/** Sets two gains along a cue's curve; what is over when the film is begun is left out. */
function setGains(
  cue: SoundCue,
  curve: readonly CurvePoint[],
  [plain, dipped]: readonly [AudioParam, AudioParam],
  { context, from, begun }: Playing,
) {
  const length = cue.end - cue.start
  const first = Math.max(0, from - cue.start)
  const set = (at: number, when: number, way: 'setValueAtTime' | 'linearRampToValueAtTime') => {
    const gains = musicGains(curve, length, at, cue.fades)
    plain[way](gains.plain, when)
    dipped[way](gains.dipped, when)
  }
  const whenOf = (at: number) => begun + seconds(cue.start + at - from)
  set(first, Math.max(context.currentTime, whenOf(first)), 'setValueAtTime')
  for (const at of curveMoments(curve, length, STEP, cue.fades))
    if (at > first) set(at, Math.max(context.currentTime, whenOf(at)), 'linearRampToValueAtTime')
}

/**
 * Plays a cue through Web Audio as the mix has it: at its place, its speed and along its curve.
 *
 * @returns what is to be stopped
 */
export function playCue(
  cue: SoundCue,
  sound: AudioBuffer,
  spoken: readonly SpokenSpan[],
  playing: Playing,
): AudioScheduledSourceNode {
  const { context, out, from, begun } = playing
  const [plain, dipped] = [new GainNode(context), new GainNode(context)]
  setGains(cue, cueCurve(cue, spoken), [plain.gain, dipped.gain], playing)
  const { hz, q, db } = SPEECH_BAND
  const band = new BiquadFilterNode(context, { type: 'peaking', frequency: hz, Q: q, gain: db })
  const source = new AudioBufferSourceNode(context, {
    buffer: sound,
    loop: cue.sound.goesOn,
    playbackRate: cue.speed,
  })
  source.connect(plain).connect(out)
  source.connect(band).connect(dipped).connect(out)
  // A buffer that came late is begun where it would be by now.
  const now = Math.max(context.currentTime, begun + seconds(Math.max(cue.start, from) - from))
  const passed = (now - begun) * SAMPLE_RATE + from - cue.start
  const place = seconds(cue.from + passed * cue.speed)
  source.start(now, cue.sound.goesOn ? place % sound.duration : Math.min(place, sound.duration))
  source.stop(begun + seconds(cue.end - from))
  return source
}
