import { useLocalStorage } from '@vueuse/core'
import { type Ref, watch } from 'vue'
import { isHeldBack } from '@tidy-reel/core/render/report'
import type { RenderState, RenderView } from '@tidy-reel/core/views/episode'

/** Whether this browser tells when a film is done: a person's own choice, for all films. */
export const useIsTold = () => useLocalStorage('tidy-told-when-done', false)

/** What there is to tell of a film that has come to its end; nothing of one that was stopped. */
export function endOf({ state, report }: Pick<RenderView, 'state' | 'report'>): string {
  if (state === 'failed') return 'could not be made'
  if (state !== 'done') return ''
  return report && isHeldBack(report) ? 'is made, but failed its check' : 'is made'
}

const isUnderWay = (state: RenderState | undefined) => state === 'queued' || state === 'running'

/** Asks the browser whether it may show notices; without that there is still the sound. */
export const askToTell = async (): Promise<void> => {
  if ('Notification' in window && Notification.permission === 'default')
    await Notification.requestPermission()
}

/**
 * Tells, by the system's notice and two soft tones, when a film of the open episode has come to its
 * end.
 *
 * @param isTold whether it is wanted
 * @param onOpen brings its room to the front
 */
export function tellWhenDone(
  renders: () => readonly RenderView[],
  title: () => string,
  { isTold, onOpen }: { isTold: Readonly<Ref<boolean>>; onOpen: () => void },
): void {
  let before = new Map<string, RenderState>()
  watch(
    renders,
    (now) => {
      const ended = now.filter(({ id, state }) => isUnderWay(before.get(id)) && !isUnderWay(state))
      before = new Map(now.map(({ id, state }) => [id, state]))
      if (!isTold.value) return
      for (const render of ended) {
        const end = endOf(render)
        if (end) tell(`“${title()}” ${end}`, render.id, onOpen)
      }
    },
    { immediate: true },
  )
}

function tell(says: string, tag: string, onOpen: () => void) {
  chime()
  if (!('Notification' in window) || Notification.permission !== 'granted') return
  const notice = new Notification(says, { tag })
  notice.onclick = () => {
    window.focus()
    onOpen()
    notice.close()
  }
}

/** A fourth upwards, soft: hertz, and seconds after the beginning. */
const TONES = [
  { hertz: 587.33, at: 0 },
  { hertz: 783.99, at: 0.16 },
] as const
const LEVEL = 0.08
const FADE_SECONDS = 0.5

function chime() {
  const context = new AudioContext()
  for (const { hertz, at } of TONES) {
    const [tone, gain] = [context.createOscillator(), context.createGain()]
    const start = context.currentTime + at
    tone.frequency.value = hertz
    gain.gain.setValueAtTime(LEVEL, start)
    gain.gain.exponentialRampToValueAtTime(LEVEL / 100, start + FADE_SECONDS)
    tone.connect(gain).connect(context.destination)
    tone.start(start)
    tone.stop(start + FADE_SECONDS)
    if (at > 0) tone.onended = () => void context.close()
  }
}
