import { useDebounceFn } from '@vueuse/core'
import { sortedLastIndexBy } from 'lodash-es'
import { computed, onScopeDispose, type Ref, ref } from 'vue'
import { frameAtSample, SAMPLE_RATE, sampleAtFrame } from '@tidy-reel/core/time/time'
import { type FilmSound, type Lane, soundDeck } from './film-sound.ts'
import type { Metered } from './live-meter.ts'

export interface Player {
  playing: Ref<boolean>
  /** Where the film stands, in samples. */
  at: Ref<number>
  /** How fast it runs: 1 as it will be, below 0 backwards. */
  rate: Ref<number>
  /** Whether a scene begins again when it has been played. */
  loop: Readonly<Ref<boolean>>
  repeat(): void
  /** Of the scene that is seen, in the film. */
  sceneIndex: Readonly<Ref<number>>
  toggle(): void
  play(from: number, to?: number): void
  /** Plays one scene, again and again while `loop` is set. */
  playScene(index: number): void
  seek(sample: number): void
  /** Forward or back by frames. */
  step(frames: number): void
  /** Faster forward with 1, back with -1, as J, K and L do. */
  shuttle(way: 1 | -1): void
  stop(): void
  /** Which parts of the sound are heard. */
  hear(lanes: ReadonlySet<Lane>): void
  /** Tells how loud it is that is heard. */
  listen(told: (metered: Metered) => void): void
}

const FASTEST = 8
/** So long one rests at a place before its sound is fetched, in ms. */
const REST_MS = 150

/** Runs the film by the clock of its sound. */
export function usePlayer(sound: () => FilmSound): Player {
  const playing = ref(false)
  const at = ref(0)
  const rate = ref(1)
  const loop = ref(false)
  const deck = soundDeck()
  let [from, begun, first, until, request] = [0, 0, 0, 0, 0]
  const film = () => sound().film
  const sceneIndex = computed(() =>
    Math.max(
      0,
      sortedLastIndexBy<{ startSample: number }>(
        film().scenes,
        { startSample: at.value },
        ({ startSample }) => startSample,
      ) - 1,
    ),
  )

  function stop() {
    playing.value = false
    rate.value = 1
    deck.stop()
    cancelAnimationFrame(request)
  }
  function run(start: number, end: number, speed: number) {
    stop()
    rate.value = speed
    ;[from, until, at.value] = [start, end, start]
    playing.value = true
    begun = deck.start(sound(), start, speed)
    request = requestAnimationFrame(tick)
  }
  function tick() {
    const passed = Math.max(0, deck.now() - begun)
    at.value = Math.round(Math.min(until, Math.max(0, from + passed * SAMPLE_RATE * rate.value)))
    const over = rate.value > 0 ? at.value >= until : at.value <= 0
    if (over && loop.value && rate.value === 1 && first < until) return run(first, until, 1)
    if (over) return stop()
    request = requestAnimationFrame(tick)
  }
  function play(start: number, end = film().samples) {
    first = start
    run(start >= end - SAMPLE_RATE / 10 ? 0 : start, end, 1)
  }
  /** A quick walk through the scenes fetches only what it comes to rest at. */
  const warm = useDebounceFn((place: number) => deck.warm(sound(), place), REST_MS)
  onScopeDispose(stop)
  return {
    playing,
    at,
    rate,
    loop,
    sceneIndex,
    stop,
    hear: deck.hear,
    listen: deck.listen,
    play,
    repeat: () => (loop.value = !loop.value),
    toggle() {
      if (playing.value) return stop()
      const scene = film().scenes[sceneIndex.value]
      if (!loop.value || !scene) return play(at.value)
      first = scene.startSample
      run(at.value, scene.endSample - 1, 1)
    },
    playScene(index) {
      const scene = film().scenes[index]
      if (!scene) return
      if (playing.value && sceneIndex.value === index) stop()
      else play(scene.startSample, scene.endSample - 1)
    },
    seek(sample) {
      const running = playing.value && rate.value === 1
      const place = Math.min(Math.max(0, film().samples - 1), Math.max(0, Math.round(sample)))
      if (running) return run(place, film().samples, 1)
      stop()
      at.value = place
      void warm(place)
    },
    step(frames) {
      stop()
      const { fps, frames: all } = film()
      at.value = sampleAtFrame(
        Math.min(Math.max(0, all - 1), Math.max(0, frameAtSample(at.value, fps) + frames)),
        fps,
      )
    },
    shuttle(way) {
      const faster = playing.value && Math.sign(rate.value) === way
      const speed = faster ? Math.max(-FASTEST, Math.min(FASTEST, rate.value * 2)) : way
      first = at.value
      run(at.value, film().samples, speed)
    },
  }
}
