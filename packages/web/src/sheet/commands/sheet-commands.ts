import { filmCommands } from './film-commands.ts'
import { goCommands } from './go-commands.ts'
import { pictureCommands } from './picture-commands.ts'
import { playCommands } from './play-commands.ts'
import { sceneCommands } from './scene-commands.ts'
import type { SheetCommand, SheetWorld } from './sheet-command.ts'
import { writeCommands } from './write-commands.ts'

/** Every command of the sheet, once. */
export const sheetCommands = (world: SheetWorld): SheetCommand[] => [
  ...goCommands(world),
  ...playCommands(world),
  ...writeCommands(world),
  ...sceneCommands(world),
  ...pictureCommands(world),
  ...filmCommands(world),
]
