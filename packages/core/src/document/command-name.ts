import { assertNever } from '../fault.ts'
import type { Command } from './command.ts'

/** What a command changed, for "Undo: …". */
export function commandName({ type }: Pick<Command, 'type'>): string {
  switch (type) {
    case 'setTitle':
      return 'title'
    case 'setScript':
      return 'script'
    case 'setVoice':
      return 'voice'
    case 'setMood':
      return 'music'
    case 'editNarration':
      return 'narration of a scene'
    case 'setShot':
      return 'picture'
    case 'placeShots':
      return 'chosen pictures'
    default:
      return assertNever(type)
  }
}
