import { certain } from '../faults/certain.ts'
import type { LedgerRow } from '../film/ledger.ts'
import type { SoundCue } from '../film/sound/effects/sound-cue.ts'
import type { FilmShape } from '../render/plan.ts'
import type { FilmReport } from '../render/report.ts'
import { claimList, type ClaimRow } from './claim-list.ts'
import { cueSheet, type MusicCue, soundCredits } from './cue-sheet.ts'
import { ledgerCsv } from './ledger-list.ts'
import { chapterList, creditsText, shotsCsv } from './lists.ts'
import { type SubtitledFilm, SUBTITLES } from './subtitles.ts'

/** A film that has been made, as far as its texts tell of it. */
export interface FinishedFilm extends SubtitledFilm {
  title: string
  shape: FilmShape
  ledger: readonly LedgerRow[]
  /** When each picture came into the library, ISO 8601, by id. */
  fetched: ReadonlyMap<string, string>
  claims: readonly ClaimRow[]
  /** Who speaks and who made the music, in words for the credits. */
  voice: string
  music: string
  /** What is heard beside the voice. */
  heard: { music: readonly MusicCue[]; cues: readonly SoundCue[] }
  report: FilmReport
}

interface FilmFile {
  /** Under which it lies in the film's folder and is fetched. */
  name: string
  mime: string
  /** What a person is offered; null for a file that programs read. */
  label: string | null
  /** Left out for the film itself, which the engine encodes. */
  write?: (film: FinishedFilm) => string
}

/**
 * Every file that is made of a film, in the order they are offered. To add a format: an entry here
 * and its writer.
 */
export const FILM_FILES = [
  { name: 'film.mp4', mime: 'video/mp4', label: 'Film' },
  {
    name: 'film.srt',
    mime: 'application/x-subrip',
    label: 'Subtitles, SRT',
    write: SUBTITLES.srt,
  },
  { name: 'film.vtt', mime: 'text/vtt', label: 'Subtitles, VTT', write: SUBTITLES.vtt },
  {
    name: 'film.ass',
    mime: 'text/plain; charset=utf-8',
    label: 'Subtitles, ASS',
    write: SUBTITLES.ass,
  },
  {
    name: 'film.ttml',
    mime: 'application/ttml+xml',
    label: 'Subtitles, TTML',
    write: SUBTITLES.ttml,
  },
  {
    name: 'transcript.txt',
    mime: 'text/plain; charset=utf-8',
    label: 'Transcript',
    write: SUBTITLES.txt,
  },
  {
    name: 'shots.csv',
    mime: 'text/csv; charset=utf-8',
    label: 'Shot list',
    write: ({ timeline }) => shotsCsv(timeline),
  },
  {
    name: 'credits.txt',
    mime: 'text/plain; charset=utf-8',
    label: 'Credits',
    write: ({ title, ledger, voice, music, heard }) =>
      creditsText(
        title,
        ledger.map(({ credit }) => credit),
        voice,
        music,
        soundCredits(heard.cues),
      ),
  },
  {
    name: 'ledger.csv',
    mime: 'text/csv; charset=utf-8',
    label: 'Ledger',
    write: ({ ledger, fetched }) => ledgerCsv(ledger, fetched),
  },
  {
    name: 'cues.csv',
    mime: 'text/csv; charset=utf-8',
    label: 'Cue sheet',
    write: ({ heard }) => cueSheet(heard.music, heard.cues),
  },
  {
    name: 'chapters.txt',
    mime: 'text/plain; charset=utf-8',
    label: 'Chapters',
    write: ({ timeline }) => chapterList(timeline),
  },
  {
    name: 'claims.csv',
    mime: 'text/csv; charset=utf-8',
    label: 'Claims',
    write: ({ claims }) => claimList(claims),
  },
  {
    name: 'report.json',
    mime: 'application/json',
    label: null,
    write: ({ report }) => reportText(report),
  },
] as const satisfies readonly FilmFile[]

export type FilmFileName = (typeof FILM_FILES)[number]['name']
export const FILM_FILE_NAMES = FILM_FILES.map(({ name }) => name)

/** A report as it is written. */
export const reportText = (report: FilmReport) => `${JSON.stringify(report, null, 2)}\n`

/** Formats that subtitles in other languages are written in. */
export const TRACK_FORMATS = ['srt', 'vtt', 'ttml'] as const
type TrackFormat = (typeof TRACK_FORMATS)[number]
export type TrackFileName = `film.${string}.${TrackFormat}`
const TRACK_FILE = /^film\.[a-z]{2,3}(?:-[A-Za-z0-9]{2,8}){0,3}\.(?:srt|vtt|ttml)$/

export const trackFile = (language: string, format: TrackFormat): TrackFileName =>
  `film.${language}.${format}`
export const isTrackFile = (name: string): name is TrackFileName => TRACK_FILE.test(name)

/** Subtitles of a film in its other languages, by the names of their files. */
export const trackTexts = (
  film: SubtitledFilm,
  tracks: readonly { language: string; cues: SubtitledFilm['cues'] }[],
): [name: TrackFileName, text: string][] =>
  tracks.flatMap(({ language, cues }) =>
    TRACK_FORMATS.map((format): [TrackFileName, string] => [
      trackFile(language, format),
      SUBTITLES[format]({ ...film, language, cues }),
    ]),
  )

/**
 * The type a file of a film is sent as.
 *
 * @example filmFileMime('shots.csv') // => 'text/csv; charset=utf-8'
 */
export function filmFileMime(name: FilmFileName | TrackFileName): string {
  const known = isTrackFile(name) ? `film.${name.split('.').at(-1) ?? ''}` : name
  return certain(FILM_FILES.find((file) => file.name === known)).mime
}

/**
 * The texts of a film, by the names of their files.
 *
 * @returns all of `FILM_FILES` but the film itself, in their order
 */
export const filmTexts = (film: FinishedFilm): [name: FilmFileName, text: string][] =>
  FILM_FILES.flatMap((file): [FilmFileName, string][] =>
    'write' in file ? [[file.name, file.write(film)]] : [],
  )
