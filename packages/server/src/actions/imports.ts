import { Readable } from 'node:stream'
import { isFault } from '@tidy-reel/core/faults/fault'
import type { ImportedScriptView } from '@tidy-reel/core/views/imported-script'
import { fetchPage } from '@tidy-reel/engine/import/fetch-page'
import { importFile } from '@tidy-reel/engine/import/import-file'
import type { ImportedScript } from '@tidy-reel/engine/import/imported-script'
import type { PictureActions } from './pictures.ts'

/** Scripts from outside: nothing of an episode changes until a person takes them over. */
export function importActions(take: PictureActions['take']) {
  /** Pictures that cannot be used are told and left. */
  async function viewOf({
    title,
    script,
    left,
    pictures,
  }: ImportedScript): Promise<ImportedScriptView> {
    const remarks: string[] = []
    const taken: ImportedScriptView['pictures'] = []
    for (const { name, bytes, from, to } of pictures) {
      try {
        taken.push({ item: await take(name, Readable.from([bytes])), from, to })
      } catch (cause) {
        if (!isFault(cause)) throw cause
        remarks.push(cause.message)
      }
    }
    return { title, script, left: [...left, ...remarks], pictures: taken }
  }
  return {
    file: async (name: string, bytes: Buffer) => viewOf(await importFile(bytes, name)),
    link: async (address: string, signal: AbortSignal) => viewOf(await fetchPage(address, signal)),
  }
}
export type ImportActions = ReturnType<typeof importActions>
