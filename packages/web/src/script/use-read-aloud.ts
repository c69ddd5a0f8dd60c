import { onScopeDispose, ref, shallowRef } from 'vue'
import type { ScriptScene } from '@tidy-reel/core/script/parse'

/** Speaks scene after scene, the next one made ready while one is heard. */
export function useReadAloud(scenes: () => readonly ScriptScene[], address: (text: string) => string) {
  const scene = ref(-1)
  const problem = ref('')
  const sound = shallowRef<HTMLAudioElement>()
  let ready: { text: string; audio: HTMLAudioElement } | undefined

  const audioOf = (text: string) => {
    const audio = ready?.text === text ? ready.audio : new Audio(address(text))
    audio.preload = 'auto'
    return audio
  }
  function stop() {
    sound.value?.pause()
    sound.value = undefined
    scene.value = -1
  }
  async function from(first: number) {
    stop()
    problem.value = ''
    const next = scenes()[first]
    if (!next) return
    scene.value = first
    const audio = (sound.value = audioOf(next.text))
    const after = scenes()[first + 1]
    audio.onplaying = () => {
      if (after) ready = { text: after.text, audio: audioOf(after.text) }
    }
    audio.onended = () => void from(first + 1)
    try {
      await audio.play()
    } catch {
      // Stopped meanwhile: nothing failed.
      if (sound.value !== audio) return
      stop()
      problem.value = 'This sentence could not be spoken. Choose another voice, or try again.'
    }
  }
  onScopeDispose(stop)
  return { scene, problem, from, stop }
}
