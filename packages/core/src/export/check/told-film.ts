import { z } from 'zod'
import { TidyError } from '../../faults/fault.ts'
import { openedField } from '../../text/csv.ts'
import { cellText, namedRows } from '../../text/named-rows.ts'
import type { FrameRate } from '../../time/time.ts'

/** Files of a film's folder that tell what the film is. */
export const TOLD_FILES = [
  'report.json',
  'shots.csv',
  'film.srt',
  'chapters.txt',
  'ledger.csv',
] as const
export type ToldFiles = Record<(typeof TOLD_FILES)[number], string>

/** A picture of the film for as long as it stands, frames `[from, to)`. */
export interface ToldPicture {
  scene: number
  item: string
  title: string
  from: number
  to: number
}

/** What a film is, as the files beside it tell. */
export interface ToldFilm {
  frames: number
  fps: FrameRate
  width: number
  height: number
  /** Loudness it was to have, LUFS. */
  lufs: number
  /** Seconds a picture is to be seen at most, where that was asked for. */
  longestPicture: number | undefined
  /** In order; one that goes on over the next scenes is one. */
  pictures: ToldPicture[]
  /** First frames of the scenes, in order. */
  sceneStarts: number[]
  /** What the scenes say, in order. */
  narration: string[]
  /** Words of the subtitles, in order. */
  subtitles: string
  chapters: { title: string; seconds: number }[]
  ledger: { title: string; author: string; licence: string; asks: string; credit: string }[]
}

const Report = z.object({
  frames: z.number().int().positive(),
  fps: z.string().regex(/^\d+\/\d+$/),
  size: z.string().regex(/^\d+x\d+$/),
  lufs: z.number(),
  wantedLufs: z.number().optional(),
  longestPicture: z.number().optional(),
})

/**
 * Reads what the files beside a film tell of it.
 *
 * @throws TidyError `film_folder_unusable` with the file and why
 */
export function toldFilm(files: ToldFiles): ToldFilm {
  const report = Report.safeParse(jsonOf(files['report.json']))
  if (!report.success) throw unusable('report.json', 'it tells no frames, rate, size and loudness')
  const { frames, fps, size, lufs, wantedLufs, longestPicture } = report.data
  const [width = 0, height = 0] = size.split('x').map(Number)
  const rows = shotRows(files['shots.csv'])
  return {
    frames,
    fps: fps.split('/').map(Number) as [number, number],
    width,
    height,
    lufs: wantedLufs ?? lufs,
    longestPicture,
    pictures: picturesOf(rows),
    sceneStarts: rows.filter(isFirst).map(({ from }) => from),
    narration: rows.filter(isFirst).map(({ narration }) => narration),
    subtitles: subtitleWords(files['film.srt']),
    chapters: chaptersOf(files['chapters.txt']),
    ledger: ledgerOf(files['ledger.csv']),
  }
}

const unusable = (file: string, reason: string) =>
  new TidyError('film_folder_unusable', { file, reason })

function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return undefined
  }
}

interface ShotRow extends ToldPicture {
  shot: number
  narration: string
  goesOn: boolean
}

const SHOT_COLUMNS = {
  scene: /^scene$/,
  shot: /^shot$/,
  from: /^start frame$/,
  to: /^end frame$/,
  item: /^item$/,
  title: /^title$/,
  narration: /^narration$/,
  goesOn: /^goes on$/,
}

function shotRows(text: string): ShotRow[] {
  const refuse = (reason: string) => unusable('shots.csv', reason)
  const needed: (keyof typeof SHOT_COLUMNS)[] = ['scene', 'shot', 'from', 'to', 'narration']
  return namedRows(text, SHOT_COLUMNS, needed, refuse).map((row) => {
    const [scene, shot, from, to] = [row.scene, row.shot, row.from, row.to].map(Number)
    if ([scene, shot, from, to].some((n) => !Number.isInteger(n)))
      throw refuse('a row of it has no scene, shot or frames')
    return {
      scene: scene!,
      shot: shot!,
      from: from!,
      to: to!,
      item: openedField(cellText(row.item)),
      title: openedField(cellText(row.title)),
      narration: openedField(cellText(row.narration)),
      goesOn: cellText(row.goesOn) === 'yes',
    }
  })
}

const isFirst = ({ shot }: ShotRow) => shot === 1

function picturesOf(rows: readonly ShotRow[]): ToldPicture[] {
  const pictures: ToldPicture[] = []
  for (const { scene, item, title, from, to, goesOn } of rows) {
    const before = pictures.at(-1)
    if (goesOn && before) before.to = to
    else pictures.push({ scene, item, title, from, to })
  }
  return pictures
}

/**
 * Words of a SubRip file, without numbers and times.
 *
 * @returns a line a line of subtitles; empty for a file without any
 */
export function subtitleWords(text: string): string {
  return text
    .split(/\r?\n\s*\r?\n/)
    .map((cue) => cue.replace(/^\s*\d+\s*\r?\n[^\n]*-->[^\n]*(?:\r?\n|$)/, ''))
    .join('\n')
}

/** Of a time as `clockText` writes it. */
const clockSeconds = (clock: string) =>
  clock.split(':').reduce((seconds, part) => seconds * 60 + Number(part), 0)

function chaptersOf(text: string): ToldFilm['chapters'] {
  return text.split(/\r?\n/).flatMap((line) => {
    const [, clock = '', title = ''] = /^([\d:]+) (.*)$/.exec(line.trim()) ?? []
    return clock ? [{ title, seconds: clockSeconds(clock) }] : []
  })
}

const LEDGER_COLUMNS = {
  title: /^title$/,
  author: /^author$/,
  licence: /^licence$/,
  asks: /^asks$/,
  credit: /^credit$/,
}

function ledgerOf(text: string): ToldFilm['ledger'] {
  const refuse = (reason: string) => unusable('ledger.csv', reason)
  return namedRows<keyof typeof LEDGER_COLUMNS>(
    text,
    LEDGER_COLUMNS,
    ['title', 'licence'],
    refuse,
  ).map((row) => ({
    title: openedField(cellText(row.title)),
    author: openedField(cellText(row.author)),
    licence: openedField(cellText(row.licence)),
    asks: cellText(row.asks),
    credit: openedField(cellText(row.credit)),
  }))
}
