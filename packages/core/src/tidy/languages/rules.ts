import { itemAt } from '../../faults/certain.ts'
import type { Language } from '../../speech/language.ts'
import { languageOfText } from '../../speech/script-language.ts'
import { de } from './de.ts'
import { es } from './es.ts'
import { fr } from './fr.ts'
import { it } from './it.ts'
import { nl } from './nl.ts'
import { pt } from './pt.ts'
import type { TidyWords } from './tidy-words.ts'

const WORDS: Partial<Record<Language, TidyWords>> = { de, es, fr, it, nl, pt }
/** So much of a script tells its language. */
const READ = 6000

/** The patterns of a language, made of its words. */
export interface TidyRules {
  words: TidyWords
  /** "IMAGE : …": the label and what it says; a label that only the makers read. */
  label: RegExp
  told: RegExp
  /** What a bracket says, in the order it is asked. */
  pause: RegExp
  short: RegExp
  written: RegExp
  heard: RegExp
  seen: RegExp
  camera: RegExp
  music: RegExp
  noise: RegExp
  delivery: RegExp
  transition: RegExp
  part: RegExp
  chapter: RegExp
  facts: RegExp
  later: RegExp
  laterBracket: RegExp
  calls: RegExp[]
  shortForms: [RegExp, string][]
}

const START = String.raw`(?<![\p{L}\p{N}/.])`
const MARKS = String.raw`(?:\*\*|__|\*)?`
const SIGN = String.raw`\s*(?::|–|—|\s-\s)\s*`

function rulesOf(words: TidyWords): TidyRules {
  const whole = (source: string, flags = 'iu') => new RegExp(`^(?:${source})$`, flags)
  const labels = `${words.seen}|${words.heard}|${words.written}|${words.told}|${words.camera}`
  const size = `(?:(?:${words.short})|(?:${words.long}))`
  const seconds = String.raw`(?:\D{0,8}(\d+(?:[.,]\d+)?)\s*(?:s|sek\w*|seg\w*|sec\w*|seconden?)?\.?)?`
  return {
    words,
    label: new RegExp(
      String.raw`^\s*(?:[-*•]\s+)?[[(]?${MARKS}(${labels})(?:\s*\([^)]*\))?${MARKS}${SIGN}${MARKS}\s*(.+?)${MARKS}[\])]?\s*$`,
      'iu',
    ),
    told: whole(words.told),
    short: whole(words.short),
    pause: whole(`(?:(${size})\\s+)?(?:${words.pause})(?:\\s+(${size}))?${seconds}`),
    written: new RegExp(`^(?:${words.written})${SIGN}(.+)$`, 'iu'),
    heard: new RegExp(`^(?:${words.heard})${SIGN}(.+)$`, 'iu'),
    seen: new RegExp(`^(?:${words.seen})${SIGN}(.+)$`, 'iu'),
    camera: new RegExp(`^(?:${words.camera})(?:${SIGN}|\\s+)(.+)$`, 'iu'),
    music: new RegExp(`^(?:[\\p{L}'’-]+ ){0,2}(?:${words.music})(?: [\\p{L}'’-]+){0,4}$`, 'iu'),
    noise: new RegExp(`(?<!\\p{L})(?:${words.noise})(?!\\p{L})`, 'iu'),
    delivery: whole(words.delivery),
    transition: whole(String.raw`\s*(?:${words.transition})\s*[.:…]*\s*`),
    part: whole(String.raw`\s*(?:${words.part})\s*:?\s*`),
    chapter: whole(String.raw`\s*(?:${words.chapter})\s+(?:\d+|[ivx]+)\b(?:\s*[:.–—-]\s*\S.*)?`),
    facts: new RegExp(String.raw`^\s*(?:${words.facts})\s*:\s*\S.*$`, 'iu'),
    later: new RegExp(String.raw`^\s*(?:[-*•]\s*)?\**(?:${words.later})\**\s*[:–—]\s*\S.*$`, 'iu'),
    laterBracket: new RegExp(
      String.raw`\[(?:${words.later})\b[^[\]\n]*\]|\((?:todo|${words.later})\s*:[^()\n]*\)`,
      'giu',
    ),
    calls: words.calls.map((call) => new RegExp(bounded(call), 'iu')),
    shortForms: words.shortForms.map(([form, said]) => [
      new RegExp(`${START}(?:${form})`, 'giu'),
      said,
    ]),
  }
}

/** `\b` knows no letters with accents: a word begins and ends beside what is no letter. */
const bounded = (source: string) =>
  source
    .replace(/^\\b|(?<=[|(*])\\b/g, String.raw`(?<!\p{L})`)
    .replace(/\\b$|\\b(?=[|)]|\.\*)/g, String.raw`(?!\p{L})`)

const known = new Map<TidyWords, TidyRules>()

/** The rules of a script's language beside those of English; undefined where it has none. */
export function rulesFor(script: string): TidyRules | undefined {
  const language = languageOfText(script.slice(0, READ).replace(/[[\]{}()*_#|<>\d]/g, ' '), 0)
  const words = language && WORDS[language]
  if (!words) return undefined
  const found = known.get(words) ?? rulesOf(words)
  known.set(words, found)
  return found
}

/** What a direction in free words means, as `meaningOf` says it. */
export function foreignMeaning(
  inside: string,
  round: boolean,
  rules: TidyRules,
): string | undefined {
  const text = inside.trim()
  const bare = text.replace(/[.!…]+$/, '')
  const paused = rules.pause.exec(bare)
  if (paused) return pauseOf(paused, rules)
  const words = rules.written.exec(text)?.[1]
  if (words) return `[super: ${plain(words)}]`
  const sound = rules.heard.exec(text)?.[1]
  if (sound) return `[${rules.music.test(plain(sound)) ? 'music' : 'sound'}: ${plain(sound)}]`
  const seen = rules.seen.exec(text)?.[1]
  if (seen) return `[picture: ${plain(rules.camera.exec(seen)?.[1] ?? seen)}]`
  const shown = rules.camera.exec(text)?.[1]
  if (shown) return `[picture: ${plain(shown)}]`
  if (rules.delivery.test(bare)) return ''
  if (rules.music.test(bare)) return `[music: ${bare}]`
  const isNoise = !round && rules.noise.test(bare) && bare.split(/\s+/).length <= 4
  return isNoise ? `[sound: ${bare}]` : undefined
}

const plain = (text: string) =>
  text
    .trim()
    .replace(/^["“«„]\s*(.*?)\s*["”»“]$/, '$1')
    .replace(/\.$/, '')
    .replace(/[[\]]/g, '')
    .trim()

function pauseOf([, before, after, seconds]: RegExpExecArray, { short }: TidyRules): string {
  if (seconds) return `[pause ${seconds.replace(',', '.')}s]`
  const size = before ?? after
  if (size && short.test(size)) return '[pause 0.5s]'
  return size ? '[pause 2s]' : '[pause 1s]'
}

/** What a label and its words mean: told to the makers alone, it means nothing. */
export function labelMeaning(text: string, rules: TidyRules): string | undefined {
  const found = rules.label.exec(text)
  if (!found || !/^[^\p{L}]*\p{Lu}/u.test(text)) return undefined
  const [label, rest] = [itemAt(found, 1), itemAt(found, 2)]
  if (rules.told.test(label)) return ''
  return foreignMeaning(`${label}: ${rest}`, false, rules)
}
