import { computed, onScopeDispose, ref, type Ref } from 'vue'
import { SAMPLE_RATE } from '@tidy-reel/core/time'
import type { Timeline } from '@tidy-reel/core/timeline/timeline'
import { takeSound } from '../api.ts'

export interface Player {
  playing: Ref<boolean>
  /** Where the film stands, in samples. */
  at: Ref<number>
  sceneIndex: Readonly<Ref<number>>
  toggle(scene: number): void
  playScene(scene: number): void
  seek(sample: number): void
}

/** Plays takes one after the other along the timeline; the sound is the clock while a sentence is spoken. */
export function usePlayer(film: () => Timeline, takes: () => Record<string, { hash: string }>, ids: () => string[]): Player {
  const playing = ref(false)
  const at = ref(0)
  const sound = new Audio()
  sound.preload = 'auto'
  let until = 0
  let scene = -1
  let last = 0
  let frame = 0
  const sceneIndex = computed(() => {
    const index = film().scenes.findIndex(({ endSample }) => at.value < endSample)
    return index < 0 ? Math.max(0, film().scenes.length - 1) : index
  })

  function stop() {
    playing.value = false
    sound.pause()
    cancelAnimationFrame(frame)
  }
  function start(from: number, to: number) {
    stop()
    at.value = from
    until = to
    scene = -1
    last = performance.now()
    playing.value = true
    frame = requestAnimationFrame(tick)
  }
  function tick(now: number) {
    const index = sceneIndex.value
    const current = film().scenes[index]
    if (!current) return stop()
    const spoken = at.value >= current.speechStart && at.value < current.speechEnd
    if (spoken && scene !== index) speak(index, at.value - current.speechStart)
    const soundLeads = scene === index && !sound.paused && !sound.ended && sound.readyState > 2
    at.value = soundLeads ? current.speechStart + sound.currentTime * SAMPLE_RATE : at.value + ((now - last) / 1000) * SAMPLE_RATE
    last = now
    if (at.value >= until) {
      at.value = until
      return stop()
    }
    frame = requestAnimationFrame(tick)
  }
  function speak(index: number, offset: number) {
    scene = index
    const take = takes()[ids()[index]!]
    if (!take) return
    sound.src = takeSound(take.hash)
    sound.currentTime = offset / SAMPLE_RATE
    void sound.play().catch(() => undefined)
  }
  onScopeDispose(stop)
  return {
    playing, at, sceneIndex,
    toggle: (index) => (playing.value ? stop() : start(film().scenes[index]?.startSample ?? 0, film().samples)),
    playScene(index) {
      const row = film().scenes[index]
      if (!row) return
      if (playing.value && sceneIndex.value === index) stop()
      else start(row.startSample, row.endSample - 1)
    },
    seek(sample) {
      stop()
      at.value = sample
    },
  }
}
