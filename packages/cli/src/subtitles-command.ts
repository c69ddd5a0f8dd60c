import { writeFile } from 'node:fs/promises'
import { type SubtitleFormat, SUBTITLES } from '@tidy-reel/core/export/subtitles'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { filmCues } from '@tidy-reel/core/film/subtitles/film-cues'
import { filmSupers } from '@tidy-reel/core/film/supers/supers'
import { engineConfig } from '@tidy-reel/engine/config'
import { filmLanguage } from '@tidy-reel/engine/make/film-language'
import { speechPlace } from '@tidy-reel/engine/speech/take'
import { voiceById } from '@tidy-reel/engine/speech/voice-list'
import { readDocumentOrScript } from './document-files.ts'
import { filmShape } from './film-shape.ts'
import { plannedFilm } from './planned-film.ts'

const isFormat = (text: string): text is SubtitleFormat => Object.hasOwn(SUBTITLES, text)

/** The subtitles of a script or an episode, printed or written to a file. */
export async function subtitlesCommand(
  file: string,
  { format, size, fps, out }: { format: string; size: string; fps: string; out?: string },
) {
  if (!isFormat(format))
    throw new TidyError('option_invalid', {
      option: '--format',
      value: format,
      wanted: `one of ${Object.keys(SUBTITLES).join(', ')}`,
    })
  const shape = filmShape({ size, fps, burnIn: true })
  const document = await readDocumentOrScript(file)
  const speech = speechPlace(engineConfig())
  // Spoken by the voice that the film would be made with.
  const voice = filmLanguage(document, speech.voices, false).voice ?? document.voice
  const { film, plan } = await plannedFilm({ ...document, voice }, shape.fps, speech)
  const text = SUBTITLES[format]({
    timeline: plan,
    shape,
    cues: filmCues(plan, shape.width, shape.height),
    supers: filmSupers(plan, film),
    language: voiceById(speech.voices, voice).language,
  })
  if (out === undefined) return void process.stdout.write(text)
  await writeFile(out, text).catch(() => {
    throw new TidyError('file_not_writable', { name: out })
  })
}
