import { spawnSync } from 'node:child_process'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { documentFrom } from '@tidy-reel/core/document/apply'
import { filmOf } from '@tidy-reel/core/document/film-scenes'
import { assDocument } from '@tidy-reel/core/film/lettering/ass-document'
import type { Cue } from '@tidy-reel/core/film/subtitles/cues'
import { filmCues } from '@tidy-reel/core/film/subtitles/film-cues'
import { CALM } from '@tidy-reel/core/style/calm'
import { wordsOf } from '@tidy-reel/core/text/written-words'
import { SAMPLE_RATE } from '@tidy-reel/core/time/time'
import { timeline } from '@tidy-reel/core/timeline/timeline'
import { type SpeechPlace, takeOf } from '../speech/take.ts'
import { voiceList } from '../speech/voice-list.ts'
import { fontsFolder } from './fonts.ts'

const work = mkdtempSync(join(tmpdir(), 'tidy-languages-'))
const place: SpeechPlace = { takes: join(work, 'takes'), voices: voiceList(work) }
const SCRIPTS: Record<string, string> = {
  en: 'The tower is tall.',
  de: 'Der Turm ist groß und übt für später.',
  fr: 'La tour est très haute, ça va de soi.',
  es: '¿Qué tan alta es la torre? Año tras año.',
  it: 'La torre è alta, perché no?',
  pt: 'A torre não é só alta, são lições.',
  nl: 'De toren is hoog, één keer.',
  pl: 'Wieża jest wysoka; źródło światła świeci.',
  cs: 'Věž je vysoká, říká žák.',
  hu: 'A torony magas, őrzi a tűz.',
  ro: 'Turnul este înalt și știut.',
  sv: 'Tornet är högt på ön.',
  da: 'Tårnet er højt på øen.',
  nb: 'Tårnet er høyt på øya.',
  fi: 'Torni on korkea yöllä.',
  tr: 'Kule çok yüksek, ışığı güçlü.',
  ca: 'La torre és alta, col·loquial.',
  ru: 'Башня высокая и старая.',
  uk: 'Вежа висока, її світло ґрунт.',
  bg: 'Кулата е висока.',
  el: 'Ο πύργος είναι ψηλός.',
  vi: 'Tòa tháp rất cao ở đây.',
  id: 'Menara itu tinggi.',
  ar: 'البرج عال جدا.',
  fa: 'برج بلند است.',
  hi: 'मीनार ऊँची है।',
  cmn: '塔很高，海很深。',
  ja: 'とうはたかい。',
  ko: '탑이 높다.',
}

describe('a film in another language', () => {
  it('goes from script to subtitles: every word spoken, subtitled once and in order, each letter in a font', async () => {
    const fonts = await fontsFolder(join(work, 'fonts'))
    const languages = Object.entries(SCRIPTS)
    const shown: Cue[] = []
    for (const [n, [language, script]] of languages.entries()) {
      const document = {
        ...documentFrom(language, script),
        voice: language === 'en' ? 'flite-slt' : `espeak-${language}`,
      }
      const film = filmOf(document)
      const takes = await Promise.all(
        film.scenes.map(({ text }) =>
          takeOf(place, { text, voice: document.voice, speed: 1, finish: 'plain' }),
        ),
      )
      takes.forEach(({ words, samples }, i) => {
        expect(words, language).toHaveLength(wordsOf(film.scenes[i]!.text).length)
        expect(samples / 48_000, language).toBeGreaterThan(0.6)
      })
      const cues = filmCues(timeline(film, takes, [30, 1]), film, {
        width: 1280,
        height: 720,
      })
      expect(
        cues
          .flatMap(({ lines }) => lines)
          .join('')
          .replace(/\s/g, ''),
        language,
      ).toBe(wordsOf(script).join(''))
      // All are drawn in one run, a second each: looking through the fonts takes longer than
      // drawing.
      shown.push({
        lines: cues.flatMap(({ lines }) => lines),
        start: n * SAMPLE_RATE,
        end: (n + 1) * SAMPLE_RATE,
      })
    }
    const file = join(work, 'all.ass')
    writeFileSync(file, assDocument({ width: 1280, height: 720, ...CALM, cues: shown, marks: [] }))
    const { stderr, stdout } = spawnSync(
      'ffmpeg',
      [
        '-v',
        'verbose',
        '-nostdin',
        '-f',
        'lavfi',
        '-i',
        `color=black:s=1280x720:r=2:d=${languages.length}`,
        '-vf',
        `ass=${file}:fontsdir=${fonts}`,
        '-f',
        'rawvideo',
        '-pix_fmt',
        'gray',
        '-',
      ],
      { maxBuffer: 1 << 27 },
    )
    expect(stderr.toString()).not.toMatch(/failed to find any fallback/i)
    const frame = 1280 * 720
    // The second of each two frames stands in the middle of its language's second.
    for (const [n, [language]] of languages.entries())
      expect(
        stdout.subarray((2 * n + 1) * frame, (2 * n + 2) * frame).some((luma) => luma > 200),
        language,
      ).toBe(true)
  }, 120_000)
})
