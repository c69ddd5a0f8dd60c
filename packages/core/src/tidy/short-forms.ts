import { certain } from '../faults/certain.ts'
import type { TidyKind } from './kinds.ts'
import type { TidyRules } from './languages/rules.ts'
import type { TidyWords } from './languages/tidy-words.ts'
import type { Page } from './page.ts'

type Rule = [kind: TidyKind, pattern: RegExp, said: string | ((...groups: string[]) => string)]

const START = String.raw`(?<![\p{L}\p{N}/.])`
const form = (pattern: string, flags = 'giu') => new RegExp(START + pattern, flags)

/**
 * In order; numbers, units, money and titles (Dr., St.) every voice is given in words anyway and
 * stay.
 */
const RULES: Rule[] = [
  ['symbol', form(String.raw`and/or\b`), 'or'],
  ['abbreviation', form(String.raw`w/o\b`), 'without'],
  ['abbreviation', form(String.raw`w/(?=\s)`), 'with'],
  ['abbreviation', form(String.raw`w/(?=\p{L})`), 'with '],
  ['abbreviation', form(String.raw`b/c\b`), 'because'],
  ['abbreviation', form(String.raw`b/w\b`), 'between'],
  ['abbreviation', form(String.raw`(\(?)e\.\s?g\.,?(?=\s)`), (open) => `${open}for example`],
  [
    'abbreviation',
    form(String.raw`(\(?)i\.\s?e\.(,?)(?=\s)`),
    (open, comma) => `${open}that is${comma || ','}`,
  ],
  [
    'abbreviation',
    form(String.raw`(?:and )?etc\.(?=\s+\p{Lu}|\s*$|["”’)]*\s*\n)`, 'gmu'),
    'and so on.',
  ],
  ['abbreviation', form(String.raw`(?:and )?etc\b\.?`), 'and so on'],
  ['abbreviation', form(String.raw`vs\b\.?(?=\s)`), 'versus'],
  ['abbreviation', form(String.raw`approx\b\.?(?=\s)`), 'about'],
  ['abbreviation', form(String.raw`(?:a\.k\.a\.?|a/k/a|aka)(?=[\s,])`), 'also known as'],
  ['abbreviation', form(String.raw`incl\b\.?(?=\s)`), 'including'],
  ['abbreviation', form(String.raw`excl\.(?=\s)`), 'excluding'],
  ['abbreviation', form(String.raw`esp\.(?=\s)`), 'especially'],
  ['abbreviation', form(String.raw`(?:n/a)\b`), 'not available'],
  ['abbreviation', form(String.raw`(?:FYI),?(?=\s)`, 'gu'), 'for your information,'],
  ['abbreviation', form(String.raw`(?:BTW),?(?=\s)`, 'giu'), 'by the way,'],
  ['abbreviation', form(String.raw`(?:ASAP)\b`, 'gu'), 'as soon as possible'],
  ['abbreviation', form(String.raw`cf\.(?=\s)`), 'compare'],
  ['abbreviation', form(String.raw`yrs?\.?(?=\s|[,;])`), 'years'],
  ['abbreviation', form(String.raw`ppl\b`), 'people'],
  ['abbreviation', form(String.raw`thx\b`), 'thanks'],
  ['abbreviation', form(String.raw`govt\.?(?=\s)`), 'government'],
  ['symbol', /(?<=[\s;])&(?=\s)/g, 'and'],
  ['symbol', /(?<=\p{Ll})&(?=\p{Ll})/gu, ' and '],
  ['symbol', /(?<=\s)(?:→|⇒|->|=>|⟶|<->|<=>|↔)(?=\s)/g, 'to'],
  ['symbol', /(?<=\S)(?:→|⇒|⟶)(?=\S)/g, ' to '],
  ['symbol', /(?<=\s|^|\()[~≈∼](?:\s)?(?=[\d$£€])/gm, 'about '],
  ['symbol', /(?<=\s)≈(?=\s)/g, 'about'],
  ['symbol', /(?<=\s|^|\d)\s?(?:±|\+\/-)\s?(?=\d)/gm, ' plus or minus '],
  ['symbol', /(?<=\s)\+(?=\s)/g, 'plus'],
  ['symbol', /(?<=\s)=(?=\s)/g, 'equals'],
  ['symbol', /(?<=\s)≠(?=\s)/g, 'is not'],
  ['symbol', /(?<=\s|^|\()(?:<=|≤)\s?(?=\d)/gm, 'at most '],
  ['symbol', /(?<=\s|^|\()(?:>=|≥)\s?(?=\d)/gm, 'at least '],
  ['symbol', /(?<=\s|^|\()<\s?(?=\d)/gm, 'less than '],
  ['symbol', /(?<=\s|^|\()>\s?(?=\d)/gm, 'more than '],
  ['symbol', /(?<=\s)@(?=\s)/g, 'at'],
  ['symbol', /(?<=[\p{L}\p{N}])[©®™]/gu, ''],
  ['symbol', /(?<=\s)[©®™](?=\s)/gu, ''],
  ['symbol', /\/(?<=(?<!\.)\b\p{L}\p{Ll}+\/)(?=\p{Ll}{2,}\b)/gu, ' or '],
  [
    'symbol',
    /(?<=\d)x(?=\s+(?:more|faster|slower|bigger|larger|smaller|longer|heavier|stronger|as)\b)/g,
    ' times',
  ],
  ['symbol', /(?<=\S\s)[•▪◦■●](?=\s\S)/g, ','],
]

const SIGNS: [sign: keyof TidyWords['signs'], pattern: RegExp][] = [
  ['&', /(?<=[\s;])&(?=\s)/g],
  ['~', /(?<=\s|^|\()[~≈∼](?:\s)?(?=[\d$£€\p{L}])/gmu],
  ['±', /(?<=\s|^|\d)\s?(?:±|\+\/-)\s?(?=\d)/gm],
  ['≤', /(?<=\s|^|\()(?:<=|≤)\s?(?=\d)/gm],
  ['≥', /(?<=\s|^|\()(?:>=|≥)\s?(?=\d)/gm],
  ['=', /(?<=\s)=(?=\s)/g],
]
/** Signs that stand before a number bring the space behind them. */
const BEFORE_NUMBER = new Set<string>(['~', '±', '≤', '≥'])

/** The rules of another language: its own short forms, and the signs in its words. */
function foreignRules({ words, shortForms }: TidyRules): Rule[] {
  return [
    ...shortForms.map(([form, said]): Rule => ['abbreviation', form, said]),
    ...SIGNS.map(([sign, form]): Rule => [
      'symbol',
      form,
      `${sign === '±' ? ' ' : ''}${words.signs[sign]}${BEFORE_NUMBER.has(sign) ? ' ' : ''}`,
    ]),
  ]
}

/**
 * Short forms and signs in the words they stand for.
 *
 * @returns nothing: what is found is claimed on the page, which may be none of it
 */
export function findShortForms(page: Page) {
  for (const [kind, pattern, said] of page.rules ? foreignRules(page.rules) : RULES)
    for (const found of page.view.matchAll(pattern)) {
      const text =
        typeof said === 'string'
          ? said
          : said(...found.slice(1).map((group: string | undefined) => group ?? ''))
      const lead = certain(/^\s*/.exec(found[0]))[0].length
      const atStart = opensSentence(page.view, found.index)
      page.claim(kind, [
        {
          from: found.index + (text.startsWith(' ') ? 0 : lead),
          to: found.index + found[0].length,
          text: atStart ? capital(text) : text,
        },
      ])
    }
}

const opensSentence = (view: string, at: number) =>
  /(^|\n\s*|[.!?]["”]?\s+)$/.test(view.slice(Math.max(0, at - 6), at))
const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)
