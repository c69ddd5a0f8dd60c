import { checkScript, sentenceLengths } from '@tidy-reel/core/checks/check-script'
import { claimsOf } from '@tidy-reel/core/checks/claims'
import { readingEase } from '@tidy-reel/core/checks/reading-ease'
import { narrationOnly } from '@tidy-reel/core/script/narration'
import { parsedScript } from '@tidy-reel/core/script/parsed-script'
import { tidyChanges } from '@tidy-reel/core/tidy/tidy'
import type { ScriptReading } from './script-reading.ts'

/** Reads a script through, away from the page: the longest takes seconds. */
self.onmessage = ({ data: script }: MessageEvent<string>) => {
  const parsed = parsedScript(script)
  const looked: ScriptReading = {
    script,
    tidy: tidyChanges(script),
    findings: checkScript(script, parsed),
    claims: claimsOf(script, parsed),
    sentences: sentenceLengths(narrationOnly(script, parsed)),
    ease: readingEase(parsed.scenes.map(({ text }) => text).join(' ')),
  }
  self.postMessage(looked)
}
