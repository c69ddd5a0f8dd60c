import { scriptWords } from '@tidy-reel/core/checks/script-words'
import { newThings } from '@tidy-reel/core/checks/things'
import { cleanScript } from '@tidy-reel/core/script/clean'
import { parsedScript } from '@tidy-reel/core/script/parsed-script'
import type { ScriptChecks } from '@tidy-reel/core/views/checks'
import { misspellings } from '@tidy-reel/engine/words/spelling'
import { loadLexicon } from '@tidy-reel/engine/words/wordnet'
import type { ChannelActions } from './channels.ts'

/** What needs a dictionary: spelling, and how often something new to show comes up. */
export async function scriptChecks(channels: ChannelActions, text: string): Promise<ScriptChecks> {
  const script = cleanScript(text)
  const parsed = parsedScript(script)
  const { words } = await channels.view()
  return {
    things: newThings(parsed.scenes, await loadLexicon()),
    misspelt: misspellings(
      scriptWords(script, parsed).map((word) => word.text),
      words,
    ),
  }
}
