import type { NewScene } from '@tidy-reel/core/document/command'
import { cleanScript } from '@tidy-reel/core/script/clean'
import { cutText } from '@tidy-reel/core/text/well-formed'

/** A pasted text as scenes: each of its lines is read as a script reads it. */
export const scriptScenes = (text: string): NewScene[] =>
  cleanScript(text)
    .split('\n')
    .filter((line) => /[\p{L}\p{N}]/u.test(line))
    .slice(0, 1000)
    .map((line) => ({ script: cutText(line, 20_000), speaker: '', shots: [] }))
