import type { ChannelView, ScriptChecks } from '@tidy-reel/core/views/checks'
import type { ImportedScriptView } from '@tidy-reel/core/views/imported-script'
import { ask, bytesOf, post } from './ask.ts'

/** What is asked about a script while it is written. */
export const scriptApi = {
  importFile: (file: File) =>
    ask<ImportedScriptView>(
      `/import?name=${encodeURIComponent(file.name.slice(-200))}`,
      bytesOf(file),
    ),
  importLink: (address: string) =>
    post<ImportedScriptView>('/import/link', { address: address.trim() }),
  scriptChecks: (script: string) => post<ScriptChecks>('/checks', { script }),
  channel: () => ask<ChannelView>('/channel'),
  removeWord: (word: string) =>
    ask<ChannelView>('/channel/words', { method: 'DELETE', body: JSON.stringify({ word }) }),
  addWord: (word: string) => post<ChannelView>('/channel/words', { word }),
}
