import { Readable } from 'node:stream'
import { isFault, TidyError } from '@tidy-reel/core/faults/fault'
import type { ImportedScriptView } from '@tidy-reel/core/views/imported-script'
import { IMPORT_BYTES_LIMIT, importTooLarge } from '@tidy-reel/engine/import/import-limit'
import type { ImportedScript } from '@tidy-reel/engine/import/imported-script'
import { SUBTITLES_BYTES_LIMIT } from '@tidy-reel/engine/import/read-subtitles'
import { allOf } from '@tidy-reel/engine/storage/limited'
import type { WorkPool } from '@tidy-reel/engine/threads/pool'
import type { PictureActions } from './pictures.ts'

/** Scripts from outside: nothing of an episode changes until a person takes them over. */
export function importActions(take: PictureActions['take'], pool: WorkPool) {
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
    async file(name: string, file: Readable) {
      const bytes = await allOf(file, IMPORT_BYTES_LIMIT, () => importTooLarge(name))
      return viewOf(await pool.run('importFile', { bytes, name }))
    },
    async subtitles(name: string, file: Readable) {
      const tooLarge = () =>
        new TidyError('subtitles_unreadable', { name, reason: 'it is over 8 MB' })
      const bytes = await allOf(file, SUBTITLES_BYTES_LIMIT, tooLarge)
      return pool.run('readSubtitles', { bytes, name })
    },
    async link(address: string, signal: AbortSignal) {
      const { fetchPage } = await import('@tidy-reel/engine/import/fetch-page')
      return viewOf(await fetchPage(address, signal, pool))
    },
  }
}
export type ImportActions = ReturnType<typeof importActions>
