import { composeDraft } from '@tidy-reel/core/writing/compose-draft'
import { outlineOf } from '@tidy-reel/core/writing/outline'
import { loadLexicon } from '../words/wordnet.ts'
import type { Writer } from './contract.ts'

/** The writer that ships: it takes sentences from the sources and invents nothing. */
export const standInWriter: Writer = {
  async outline(brief) {
    const lexicon = await loadLexicon()
    return outlineOf(brief, (term) => (lexicon.picturable(term) ?? 0) >= 0.3)
  },
  draft: async (brief, outline, speed) => composeDraft(brief, outline, speed),
}
