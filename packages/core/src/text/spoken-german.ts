import * as de from 'n2words/de-DE'
import {
  fromRoman,
  HUNDREDS,
  hundreds,
  type LanguageRules,
  type OwnRule,
  whole,
} from './language-rules.ts'
import { pattern } from './pattern.ts'

const MONTHS = 'Januar|Februar|März|April|Mai|Juni|Juli|August|September|Oktober|November|Dezember'
const UNITS: LanguageRules['units'] = {
  km: ['Kilometer', 'Kilometer'],
  m: ['Meter', 'Meter'],
  cm: ['Zentimeter', 'Zentimeter'],
  mm: ['Millimeter', 'Millimeter'],
  'm²': ['Quadratmeter', 'Quadratmeter'],
  'km²': ['Quadratkilometer', 'Quadratkilometer'],
  'm³': ['Kubikmeter', 'Kubikmeter'],
  ha: ['Hektar', 'Hektar'],
  l: ['Liter', 'Liter'],
  ml: ['Milliliter', 'Milliliter'],
  kg: ['Kilogramm', 'Kilogramm'],
  g: ['Gramm', 'Gramm'],
  t: ['Tonne', 'Tonnen', 'feminine'],
  'km/h': ['Kilometer pro Stunde', 'Kilometer pro Stunde'],
  '°C': ['Grad Celsius', 'Grad Celsius'],
  '°': ['Grad', 'Grad'],
  W: ['Watt', 'Watt'],
  kW: ['Kilowatt', 'Kilowatt'],
  kWh: ['Kilowattstunde', 'Kilowattstunden', 'feminine'],
  V: ['Volt', 'Volt'],
  Hz: ['Hertz', 'Hertz'],
  '‰': ['Promille', 'Promille'],
  '€': ['Euro', 'Euro'],
  Euro: ['Euro', 'Euro'],
  ct: ['Cent', 'Cent'],
  $: ['Dollar', 'Dollar'],
}
const before = (n: string | undefined) => (n === '1' ? 'ein' : de.toCardinal(whole(n)))
const capital = (word: string) => word.charAt(0).toUpperCase() + word.slice(1)

/** What an ordinal ends in after this word: der dritte, am dritten, dritter. */
const ending = (word: string | undefined) => {
  if (!word) return 'r'
  return /^(?:der|die|das)$/i.test(word) ? '' : 'n'
}
/** Also where a sentence begins with it. */
const ARTICLES =
  '[Dd]er|[Dd]ie|[Dd]as|[Aa]m|[Ii]m|[Vv]om|[Zz]um|[Zz]ur|[Bb]eim|[Dd]em|[Dd]en|[Dd]es|[Ss]eit|[Bb]is'

const OWN: OwnRule[] = [
  [
    pattern(
      'gu',
      String.raw`(?<!\p{L})(?:(${ARTICLES}) )?(\d{1,2})\. (?=(?:${MONTHS}|Jahrhundert)\b)`,
    ),
    ([word, n]) => `${word ? `${word} ` : ''}${de.toOrdinal(whole(n))}${ending(word)} `,
  ],
  [
    pattern('gu', String.raw`(?<!\p{L})(${ARTICLES}) (\d{1,2})\. (?=\p{Lu})`),
    ([word, n]) => `${word} ${de.toOrdinal(whole(n))}${ending(word)} `,
  ],
  [
    /(?<!\p{L})(\p{Lu}\p{Ll}+) ([IVX]+)\.(?=\s|$)/gu,
    ([name = '', n]) =>
      fromRoman(n, (value) => {
        const article = /(?:a|ine|beth)$/.test(name) ? 'die' : 'der'
        return `${name} ${article} ${capital(de.toOrdinal(value))}`
      }),
  ],
  [
    /(?<![\d:])(\d{1,2}):([0-5]\d)(?: Uhr)?(?![\d:]|\.\d)/g,
    ([h, m]) => `${before(h)} Uhr${whole(m) ? ` ${de.toCardinal(whole(m))}` : ''}`,
  ],
  [/(?<![\d:.,])1 Uhr/g, () => 'ein Uhr'],
  [
    /(?<![\d.,])(\d{1,3})-(\p{L}{1,3})-(?=\p{Lu})/gu,
    ([n, unit = '']) => {
      const name = UNITS[unit]?.[0] ?? unit
      return `${capital(before(n))}-${name}-`
    },
  ],
  [/(?<![\d.,])(\d{1,3})-(?=\p{Lu}\p{Ll}+-\p{Lu})/gu, ([n]) => `${capital(before(n))}-`],
  [/(?<=Millionen |Milliarden )€/g, () => 'Euro'],
  [/(?<!\p{L})S\. (?=\d)/gu, () => 'Seite '],
  [HUNDREDS, hundreds(de, 'hundert')],
]

const PARTS_OF: Record<number, string> = {
  3: 'Drittel',
  4: 'Viertel',
  5: 'Fünftel',
  6: 'Sechstel',
  8: 'Achtel',
  10: 'Zehntel',
}

/** How German is spoken. */
export const german: LanguageRules = {
  words: de,
  by: 'mal',
  against: 'zu',
  decimal: ',',
  percent: 'Prozent',
  minus: 'minus',
  to: 'bis',
  and: 'und',
  units: UNITS,
  counting: (n, gender) => (n === '1' && gender ? 'eine' : before(n)),
  cents: (euros, cents) =>
    `${before(euros)} Euro${whole(cents) ? ` ${de.toCardinal(whole(cents))}` : ''}`,
  fraction: (parts, of) => {
    if (of === 2) return parts === 1 ? 'ein halb' : undefined
    return PARTS_OF[of] && parts < of ? `${before(String(parts))} ${PARTS_OF[of]}` : undefined
  },
  andHalf: (n) => `${before(String(n))}einhalb`,
  web: { at: 'ät', dot: 'Punkt', www: 'w w w' },
  shortForms: {
    'z. B.': 'zum Beispiel',
    'z.B.': 'zum Beispiel',
    'd. h.': 'das heißt',
    'd.h.': 'das heißt',
    'u. a.': 'unter anderem',
    'u.a.': 'unter anderem',
    'usw.': 'und so weiter',
    'ca.': 'circa',
    'Dr.': 'Doktor',
    'Prof.': 'Professor',
    'St.': 'Sankt',
    'Nr.': 'Nummer',
    'bzw.': 'beziehungsweise',
    'Jh.': 'Jahrhundert',
    'Mio.': 'Millionen',
    'Mrd.': 'Milliarden',
    'v. Chr.': 'vor Christus',
    'n. Chr.': 'nach Christus',
    '§': 'Paragraf',
  },
  own: OWN,
}
