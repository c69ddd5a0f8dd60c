import type { Episode } from '../../episode/episode-store.ts'
import type { KeyCommand } from '../../keys/key-command.ts'
import type { Player } from '../../monitor/use-player.ts'
import type { Sheet } from '../use-sheet.ts'

/** Something a person can do on the sheet. */
export interface SheetCommand extends KeyCommand {
  group: 'Go' | 'Play' | 'Write' | 'Scenes' | 'Pictures' | 'Film'
}

/** What only the page can do: its panels and what lies over it. */
export interface Desk {
  open(panel: 'pictures' | 'shot' | 'look' | 'scene' | 'drawn' | 'sounds'): void
  search(): void
  choose(candidate: number): void
  pickRun(): void
  contactSheet(): void
  versions(): void
  fullscreen(): void
  guides(): void
  /** The monitor shows the film in its next shape. */
  shape(): void
}

/** What the commands of the sheet act on. */
export interface SheetWorld {
  sheet: Sheet
  episode: Episode
  player: Player
  desk: Desk
}
