import { cleanScript } from '@tidy-reel/core/script/clean'
import type { ScriptChecks } from '@tidy-reel/core/views/checks'
import type { WorkPool } from '@tidy-reel/engine/threads/pool'
import type { ChannelActions } from './channels.ts'

/** What needs a dictionary: spelling, and how often something new to show comes up. */
export async function scriptChecks(
  channels: ChannelActions,
  pool: WorkPool,
  text: string,
): Promise<ScriptChecks> {
  const script = cleanScript(text)
  const { words } = await channels.view()
  return pool.run('checkWords', { script, words })
}
