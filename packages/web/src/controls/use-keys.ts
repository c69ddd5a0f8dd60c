import { useEventListener } from '@vueuse/core'

/** What the keys of a room do, by `KeyboardEvent.key`. */
export type KeyActs = Readonly<Record<string, () => unknown>>

/**
 * Carries out what a plain key means in a room. Keys with Ctrl, Alt or Meta and those pressed in a
 * field are left alone.
 *
 * @param acts of the moment, asked at each press
 * @param buttons whether keys also count while a button has the focus
 * @param anyCase whether a letter also counts as a capital
 */
export function useKeys(acts: () => KeyActs, { buttons = false, anyCase = false } = {}): void {
  const own = buttons ? /^(INPUT|TEXTAREA|SELECT)$/ : /^(INPUT|TEXTAREA|SELECT|BUTTON)$/
  useEventListener('keydown', (event: KeyboardEvent) => {
    if (
      event.ctrlKey ||
      event.metaKey ||
      event.altKey ||
      own.test((event.target as HTMLElement).tagName)
    )
      return
    const act = acts()[anyCase && event.key.length === 1 ? event.key.toLowerCase() : event.key]
    if (!act) return
    event.preventDefault()
    void act()
  })
}
