import type { Episode } from '../../episode/episode-store.ts'
import type { Player } from '../../monitor/use-player.ts'
import type { Sheet } from '../use-sheet.ts'

/**
 * Something a person can do on the sheet: found in the palette, on the sheet of keys, and under its
 * keys.
 */
export interface SheetCommand {
  name: string
  group: 'Go' | 'Play' | 'Write' | 'Scenes' | 'Pictures' | 'Film'
  /** As `keyOf` writes them; none for what is reached through the palette alone. */
  keys: readonly string[]
  /** @param key the one it was called by; none from the palette */
  run: (key?: string) => unknown
  /** Also while a field has the cursor. */
  everywhere?: boolean
  /** Its keys are heard by the episode, in every room. */
  elsewhere?: boolean
}

/** What only the page can do: its panels and what lies over it. */
export interface Desk {
  open(panel: 'pictures' | 'shot' | 'scene'): void
  search(): void
  choose(candidate: number): void
  pickRun(): void
  contactSheet(): void
  palette(): void
  keys(): void
  versions(): void
  fullscreen(): void
  guides(): void
}

/** What the commands of the sheet act on. */
export interface SheetWorld {
  sheet: Sheet
  episode: Episode
  player: Player
  desk: Desk
}
