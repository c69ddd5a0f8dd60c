import { ask } from './ask.ts'

/** What is asked about a script while it is written. */
export const scriptApi = {
  importFile: (file: File) => ask('POST /import', { query: { name: file.name.slice(-200) }, file }),
  importSubtitles: (file: File) =>
    ask('POST /import/subtitles', { query: { name: file.name.slice(-200) }, file }),
  importLink: (address: string) => ask('POST /import/link', { json: { address: address.trim() } }),
  scriptChecks: (script: string) => ask('POST /checks', { json: { script } }),
  channel: () => ask('GET /channel'),
  removeWord: (word: string) => ask('DELETE /channel/words', { json: { word } }),
  addWord: (word: string) => ask('POST /channel/words', { json: { word } }),
}
