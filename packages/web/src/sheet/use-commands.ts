import { type Ref, ref } from 'vue'
import type { Command } from '@tidy-reel/core/document/command'
import { isFault } from '@tidy-reel/core/faults/fault'
import type { Episode } from '../episode/episode-store.ts'

export interface Commands {
  /** A sentence on why the last thing asked for could not be done; empty when it could. */
  refused: Ref<string>
  /**
   * Carries commands out, one after the other; false where one was refused, those after it left.
   */
  run(...commands: Command[]): boolean
}

/** Commands of the sheet, each with its refusal in words. */
export function useCommands(episode: Episode): Commands {
  const refused = ref('')
  function run(...commands: Command[]): boolean {
    refused.value = ''
    try {
      for (const command of commands) episode.run(command)
      return true
    } catch (cause) {
      if (!isFault(cause)) throw cause
      refused.value = cause.message
      return false
    }
  }
  return { refused, run }
}
