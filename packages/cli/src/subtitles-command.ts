import { writeFile } from 'node:fs/promises'
import { filmOf } from '@tidy-reel/core/document/film-scenes'
import { transcript } from '@tidy-reel/core/export/transcript'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { type Cue } from '@tidy-reel/core/film/subtitles/cues'
import { filmCues } from '@tidy-reel/core/film/subtitles/film-cues'
import { ttml } from '@tidy-reel/core/film/subtitles/ttml'
import { srt, vtt } from '@tidy-reel/core/film/subtitles/write'
import { assDocument } from '@tidy-reel/core/film/supers/ass'
import { filmSupers } from '@tidy-reel/core/film/supers/supers'
import { type Timeline, timeline } from '@tidy-reel/core/timeline/timeline'
import { engineConfig } from '@tidy-reel/engine/config'
import { filmLanguage } from '@tidy-reel/engine/make/film-language'
import { takeRequests } from '@tidy-reel/engine/make/filmable'
import { knownTake, speechPlace } from '@tidy-reel/engine/speech/take'
import { voiceById, voiceList } from '@tidy-reel/engine/speech/voice-list'
import { readDocumentOrScript } from './document-files.ts'
import { filmShape } from './film-shape.ts'

export const SUBTITLE_FORMATS = ['srt', 'vtt', 'ass', 'ttml', 'txt'] as const
type Format = (typeof SUBTITLE_FORMATS)[number]

interface Subtitled {
  cues: readonly Cue[]
  plan: Timeline
  film: ReturnType<typeof filmOf>
  shape: { width: number; height: number }
  language: string
}

const WRITERS: Record<Format, (film: Subtitled) => string> = {
  srt: ({ cues }) => srt(cues),
  vtt: ({ cues }) => vtt(cues),
  ass: ({ cues, plan, film, shape }) =>
    assDocument({ ...shape, cues, supers: filmSupers(plan, film) }),
  ttml: ({ cues, language }) => ttml(cues, language),
  txt: ({ plan }) => transcript(plan),
}

const isFormat = (text: string): text is Format =>
  (SUBTITLE_FORMATS as readonly string[]).includes(text)

/**
 * The subtitles of a script or an episode, by the takes there are, else by the estimate: printed, or
 * written to a file.
 */
export async function subtitlesCommand(
  file: string,
  { format, size, fps, out }: { format: string; size: string; fps: string; out?: string },
) {
  if (!isFormat(format))
    throw new TidyError('option_invalid', {
      option: '--format',
      value: format,
      wanted: `one of ${SUBTITLE_FORMATS.join(', ')}`,
    })
  const shape = filmShape({ size, fps, burnIn: true })
  const written = await readDocumentOrScript(file)
  const film = filmOf(written)
  if (!film.scenes.length) throw new TidyError('script_nothing_spoken')
  const config = engineConfig()
  const speech = speechPlace(config)
  const voices = voiceList(config.data)
  // Spoken by the voice that the film would be made with.
  const voice = filmLanguage(written, voices, false).voice ?? written.voice
  const document = { ...written, voice }
  const known = await Promise.all(
    takeRequests(document, film).map(async (request) => request && knownTake(speech, request)),
  )
  const plan = timeline(film, known, shape.fps)
  const text = WRITERS[format]({
    cues: filmCues(plan, shape.width, shape.height),
    plan,
    film,
    shape,
    language: voiceById(voices, voice).language,
  })
  if (out === undefined) return void process.stdout.write(text)
  await writeFile(out, text).catch(() => {
    throw new TidyError('file_not_writable', { name: out })
  })
}
