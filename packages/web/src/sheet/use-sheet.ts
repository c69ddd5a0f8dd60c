import { type ComputedRef, type Ref, ref } from 'vue'
import type { Episode } from '../episode/episode-store.ts'
import type { Player } from '../monitor/use-player.ts'
import { type Commands, useCommands } from './use-commands.ts'
import { type Cursor, useCursor } from './use-cursor.ts'
import { type Flags, useFlags } from './use-flags.ts'
import { type RowWriting, useRowWriting } from './use-row-writing.ts'
import { type SceneEdits, useSceneEdits } from './use-scene-edits.ts'

/** What is selected on the sheet and what can be done with it. */
export interface Sheet extends Commands, Cursor, RowWriting, SceneEdits {
  flags: ComputedRef<Flags>
  /** Id of the row behind which a new scene is being written. */
  writingAfter: Ref<string | undefined>
}

/** Everything here is one command of the document, or a step of the cursor. */
export function useSheet(episode: Episode, player: Player): Sheet {
  const writingAfter = ref<string>()
  const flags = useFlags(episode)
  const commands = useCommands(episode)
  const cursor = useCursor(episode, player, flags, writingAfter)
  const writing = useRowWriting(episode, commands, cursor, writingAfter)
  const edits = useSceneEdits(episode, player, commands, cursor)
  return { ...commands, ...cursor, ...writing, ...edits, flags, writingAfter }
}
