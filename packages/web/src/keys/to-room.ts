import { whenTrue } from '../controls/when-true.ts'

/** What a room is about: its list where it has one, the room itself otherwise. */
const ROOM = '[data-room-keys], main'
/** So long a room may take to be shown. */
const MOST_MS = 3000

/** Puts the focus past the header, on what the room is about; false while no room is shown. */
export function toRoom(): boolean {
  const room = document.querySelector<HTMLElement>(ROOM)
  if (!room) return false
  room.setAttribute('tabindex', room.getAttribute('tabindex') ?? '-1')
  // Who hears it is told where they are.
  if (room.tagName === 'MAIN' && !room.hasAttribute('aria-label'))
    room.setAttribute('aria-label', document.querySelector('h1')?.textContent.trim() ?? '')
  room.focus({ preventScroll: true })
  return true
}

/**
 * Puts the focus on a room as soon as it is shown, unless something in it has taken it: the link
 * that led there is gone, or belongs to what all rooms have.
 */
export function toRoomWhenShown(): void {
  const isThere = () =>
    !!document.activeElement?.closest('main, aside, dialog, [role="dialog"]') || toRoom()
  void whenTrue(isThere, MOST_MS)
}
