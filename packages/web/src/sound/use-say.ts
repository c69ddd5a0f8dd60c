import { onScopeDispose, ref } from 'vue'
import { effectSound, takeSound } from '../api/media.ts'
import { soundsApi } from '../api/sounds.ts'
import { type SayRequest, speechApi } from '../api/speech.ts'

/** Where what is to be heard is fetched, once it has been made. */
async function addressOf(
  what: SayRequest | { hash: string } | { sound: string },
  signal: AbortSignal,
): Promise<string> {
  if ('sound' in what) return effectSound((await soundsApi.facts(what.sound, signal)).hash)
  const { hash } = 'hash' in what ? what : await speechApi.say(what, signal)
  return takeSound(hash)
}

/** Has something said or played; one thing at a time, the newest wins. */
export function useSay() {
  /** What is being made ready or heard. */
  const saying = ref('')
  const heard = ref('')
  const problem = ref('')
  let audio: HTMLAudioElement | undefined
  let asking = new AbortController()

  function stop() {
    asking.abort()
    audio?.pause()
    saying.value = heard.value = ''
  }
  /** @param key names what is said, to show which; asked for again it stops */
  async function say(key: string, what: SayRequest | { hash: string } | { sound: string }) {
    const again = saying.value === key
    stop()
    if (again) return
    problem.value = ''
    saying.value = key
    const { signal } = (asking = new AbortController())
    try {
      const address = await addressOf(what, signal)
      if (signal.aborted) return
      audio = new Audio(address)
      audio.onplaying = () => (heard.value = key)
      audio.onended = stop
      await audio.play()
    } catch (cause) {
      if (signal.aborted) return
      stop()
      problem.value =
        cause instanceof DOMException
          ? 'This could not be played. Try again.'
          : (cause as Error).message
    }
  }
  onScopeDispose(stop)
  return { saying, heard, problem, say, stop }
}
