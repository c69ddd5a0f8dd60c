import type { Context, Next } from 'hono'
import { bodyLimit } from 'hono/body-limit'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { LIST_BYTES_LIMIT } from '@tidy-reel/core/pictures/picture-list'
import { IMPORT_BYTES_LIMIT, importTooLarge } from '@tidy-reel/engine/import/import-limit'
import { OWN_BYTES_LIMIT } from '@tidy-reel/engine/own/own-files'
import { FONT_BYTES_LIMIT } from '@tidy-reel/engine/own/own-fonts'
import { SOUND_BYTES_LIMIT } from '@tidy-reel/engine/sound/effects/own-sounds'
import { MUSIC_BYTES_LIMIT } from '@tidy-reel/engine/sound/music/own-music'
import { RECORDING_BYTES_LIMIT } from '../actions/recordings.ts'

/** Of a body that is no file, in bytes: a script of 60 minutes is a fiftieth of it. */
const JSON_BYTES_LIMIT = 4 * 1024 * 1024

const larger = (bytes: number) => `it is larger than ${bytes / 1024 / 1024} MB`

/** Files go to disk, or are counted, as they come: none is held here to be measured. */
const FILES: readonly (readonly [path: RegExp, most: number, fault: () => TidyError])[] = [
  [
    /^\/api\/own$/,
    OWN_BYTES_LIMIT,
    () => new TidyError('own_file_unusable', { name: 'The file', reason: larger(OWN_BYTES_LIMIT) }),
  ],
  [
    /^\/api\/fonts$/,
    FONT_BYTES_LIMIT,
    () => new TidyError('font_unusable', { name: 'The file', reason: larger(FONT_BYTES_LIMIT) }),
  ],
  [
    /^\/api\/sounds$/,
    SOUND_BYTES_LIMIT,
    () => new TidyError('sound_unusable', { name: 'The file', reason: larger(SOUND_BYTES_LIMIT) }),
  ],
  [
    /^\/api\/music$/,
    MUSIC_BYTES_LIMIT,
    () => new TidyError('music_unusable', { name: 'The file', reason: larger(MUSIC_BYTES_LIMIT) }),
  ],
  [/^\/api\/import$/, IMPORT_BYTES_LIMIT, () => importTooLarge('The file')],
  [
    /\/recordings?$/,
    RECORDING_BYTES_LIMIT,
    () => new TidyError('recording_unusable', { reason: larger(RECORDING_BYTES_LIMIT) }),
  ],
  [
    /^\/api\/own\/(?:list|sidecar)$/,
    LIST_BYTES_LIMIT,
    () =>
      new TidyError('picture_list_unreadable', {
        name: 'The list',
        reason: larger(LIST_BYTES_LIMIT),
      }),
  ],
  [
    /^\/api\/topics\/channels\/list$/,
    LIST_BYTES_LIMIT,
    () => new TidyError('films_unreadable', { name: 'The list', reason: larger(LIST_BYTES_LIMIT) }),
  ],
]

const json = bodyLimit({
  maxSize: JSON_BYTES_LIMIT,
  onError: () => {
    throw new TidyError('script_too_large', {
      characters: JSON_BYTES_LIMIT,
      limit: JSON_BYTES_LIMIT,
    })
  },
})

/**
 * Refuses a body that is longer than its route takes, before it is read: a file by the length it
 * says it has (one that says none is counted as it comes), all else by what comes.
 */
export function bodyLimits(c: Context<object, string>, next: Next) {
  const file = FILES.find(([path]) => path.test(c.req.path))
  if (!file) return json(c, next)
  const [, most, fault] = file
  if (Number(c.req.header('content-length') ?? 0) > most) throw fault()
  return next()
}
