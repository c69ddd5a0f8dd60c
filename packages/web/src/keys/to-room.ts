/** What a room is about: its list where it has one, the room itself otherwise. */
const ROOM = '[data-room-keys], main'
const WAIT = { everyMs: 50, mostMs: 3000 }

/** Puts the focus past the header, on what the room is about; false while no room is shown. */
export function toRoom(): boolean {
  const room = document.querySelector<HTMLElement>(ROOM)
  if (!room) return false
  room.setAttribute('tabindex', room.getAttribute('tabindex') ?? '-1')
  room.focus({ preventScroll: true })
  return true
}

/**
 * The link that led to another room is gone with its room, and the focus with it: it goes to the
 * new room as soon as that is shown, unless something else has taken it.
 */
export function toRoomWhenShown(): void {
  const begun = Date.now()
  const looking = setInterval(() => {
    const isElsewhere = document.activeElement !== document.body
    const isLate = Date.now() - begun > WAIT.mostMs
    if (isElsewhere || isLate || toRoom()) clearInterval(looking)
  }, WAIT.everyMs)
}
