import { onScopeDispose, ref, shallowRef } from 'vue'
import type { ScriptScene } from '@tidy-reel/core/script/parse'

/** Speaks scene after scene, the next one made ready while one is heard. */
export function useReadAloud(
  scenes: () => readonly ScriptScene[],
  address: (scene: ScriptScene) => Promise<string>,
) {
  const scene = ref(-1)
  const problem = ref('')
  const sound = shallowRef<HTMLAudioElement>()
  let ready: { scene: ScriptScene; sound: Promise<string> } | undefined
  let turn = 0

  const addressOf = (one: ScriptScene) =>
    ready?.scene.text === one.text && ready.scene.speaker === one.speaker
      ? ready.sound
      : address(one)
  function stop() {
    turn++
    sound.value?.pause()
    sound.value = undefined
    scene.value = -1
  }
  async function from(first: number) {
    stop()
    const mine = turn
    problem.value = ''
    const next = scenes()[first]
    if (!next) return
    scene.value = first
    try {
      const source = await addressOf(next)
      if (mine !== turn) return
      const audio = (sound.value = new Audio(source))
      const after = scenes()[first + 1]
      audio.onplaying = () => {
        if (!after) return
        ready = { scene: after, sound: address(after) }
        ready.sound.catch(() => undefined)
      }
      audio.onended = () => void from(first + 1)
      await audio.play()
    } catch (cause) {
      // Stopped meanwhile: nothing failed.
      if (mine !== turn) return
      stop()
      problem.value =
        cause instanceof DOMException
          ? 'This sentence could not be played. Try again.'
          : (cause as Error).message
    }
  }
  onScopeDispose(stop)
  return { scene, problem, from, stop }
}
