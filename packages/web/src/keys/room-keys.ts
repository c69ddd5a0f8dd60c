import { useEventListener } from '@vueuse/core'
import { computed, onScopeDispose, ref, shallowReactive } from 'vue'
import { focusKind, isControls } from './focus-kind.ts'
import type { KeyCommand, ToldKeys } from './key-command.ts'
import { keyOf } from './key-names.ts'

interface Room {
  commands: () => readonly KeyCommand[]
  told: readonly ToldKeys[]
}

/** The page, the episode in it, the room in that: the innermost is asked first. */
const rooms = shallowReactive<Room[]>([])

/** What a person can do where they are, by keys or not. */
export const commandsHere = computed(() => rooms.toReversed().flatMap(({ commands }) => commands()))
export const toldHere = computed(() => rooms.flatMap(({ told }) => told))
/** What lies over the room: the list of all commands, or the sheet of keys. */
export const overRoom = ref<'commands' | 'keys'>()

/** Says what keys mean as long as a view is there. */
export function useRoomKeys(
  commands: () => readonly KeyCommand[],
  told: readonly ToldKeys[] = [],
): void {
  const room = { commands, told }
  rooms.push(room)
  onScopeDispose(() => rooms.splice(rooms.indexOf(room), 1))
}

/** The one place where a key becomes a command. */
export function useKeyboard(): void {
  useEventListener('keydown', (event: KeyboardEvent) => {
    if (event.defaultPrevented || event.isComposing) return
    const key = keyOf(event)
    const command = commandsHere.value.find(({ keys }) => keys.includes(key))
    if (!command || !mayFire(command, event, key) || isUnderDialog()) return
    event.preventDefault()
    void command.run(key)
  })
}

function mayFire(command: KeyCommand, { target }: KeyboardEvent, key: string): boolean {
  if (command.everywhere) return focusKind(target) !== 'field' || key.length > 1
  const kind = focusKind(target)
  if (kind === 'nothing') return true
  return (
    kind === 'control' && (/^(?:Ctrl|Alt)\+/.test(key) || !isControls(target as HTMLElement, key))
  )
}

const isUnderDialog = () =>
  [...document.querySelectorAll('[aria-modal="true"], dialog:modal')].some((dialog) =>
    dialog.checkVisibility(),
  )
