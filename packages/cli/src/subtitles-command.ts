import { writeFile } from 'node:fs/promises'
import { type SubtitleFormat, SUBTITLES } from '@tidy-reel/core/export/subtitles'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { filmLetters } from '@tidy-reel/core/film/film-letters'
import { filmCues } from '@tidy-reel/core/film/subtitles/film-cues'
import { engineConfig } from '@tidy-reel/engine/config'
import { atlasFor } from '@tidy-reel/engine/make/atlas-for'
import { filmLanguage } from '@tidy-reel/engine/make/film-language'
import { speechPlace } from '@tidy-reel/engine/speech/take'
import { voiceById } from '@tidy-reel/engine/speech/voice-list'
import { readDocumentOrScript } from './document-files.ts'
import { filmShape } from './film-shape.ts'
import { plannedFilm } from './planned-film.ts'
import { styled } from './styled.ts'

const isFormat = (text: string): text is SubtitleFormat => Object.hasOwn(SUBTITLES, text)

export interface SubtitlesFlags {
  format: string
  size: string
  fps: string
  style?: string
  language?: string
  out?: string
}

/** The subtitles of a script or an episode, printed or written to a file. */
export async function subtitlesCommand(
  file: string,
  { format, size, fps, style, language, out }: SubtitlesFlags,
) {
  if (!isFormat(format))
    throw new TidyError('option_invalid', {
      option: '--format',
      value: format,
      wanted: `one of ${Object.keys(SUBTITLES).join(', ')}`,
    })
  const shape = filmShape({ size, fps, burnIn: true })
  const document = styled(await readDocumentOrScript(file), style)
  const speech = speechPlace(engineConfig())
  // Spoken by the voice that the film would be made with.
  const voice = filmLanguage(document, speech.voices, false).voice ?? document.voice
  const { film, plan } = await plannedFilm({ ...document, voice }, shape.fps, speech)
  const { tracks } = film.subtitling
  if (language !== undefined && !tracks.some((track) => track.language === language))
    throw new TidyError('option_invalid', {
      option: '--language',
      value: language,
      wanted: `one that the episode has subtitles in: ${tracks.map((track) => track.language).join(', ') || 'it has none'}`,
    })
  const text = SUBTITLES[format]({
    timeline: plan,
    shape,
    ...filmLetters(plan, film, shape, { atlas: await atlasFor(film) }),
    cues: filmCues(plan, film, shape, language ?? ''),
    lettering: film.lettering,
    language: language ?? voiceById(speech.voices, voice).language,
  })
  if (out === undefined) return void process.stdout.write(text)
  await writeFile(out, text).catch(() => {
    throw new TidyError('file_not_writable', { name: out })
  })
}
