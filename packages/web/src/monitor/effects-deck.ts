import { cueCurve } from '@tidy-reel/core/film/sound/effects/cue-gain'
import type { SoundCue } from '@tidy-reel/core/film/sound/effects/sound-cue'
import type { SpokenSpan } from '@tidy-reel/core/film/sound/mix'
import { SAMPLE_RATE, secondsFromSamples as seconds } from '@tidy-reel/core/time/time'
import { gainPair, type Playing } from './gain-pair.ts'

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
  const { context, from, begun } = playing
  const { start, end, fades } = cue
  const curved = { curve: cueCurve(cue, spoken), start, length: end - start, fades }
  const source = new AudioBufferSourceNode(context, {
    buffer: sound,
    loop: cue.sound.goesOn,
    playbackRate: cue.speed,
  })
  for (const into of gainPair(curved, playing)) source.connect(into)
  // A buffer that came late is begun where it would be by now.
  const now = Math.max(context.currentTime, begun + seconds(Math.max(cue.start, from) - from))
  const passed = (now - begun) * SAMPLE_RATE + from - cue.start
  const place = seconds(cue.from + passed * cue.speed)
  source.start(now, cue.sound.goesOn ? place % sound.duration : Math.min(place, sound.duration))
  source.stop(begun + seconds(cue.end - from))
  return source
}
