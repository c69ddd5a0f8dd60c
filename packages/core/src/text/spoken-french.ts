import * as fr from 'n2words/fr-FR'
import { fromRoman, type LanguageRules, type OwnRule, whole } from './language-rules.ts'

const counted = (n: string, gender?: 'feminine') => {
  const said = fr.toCardinal(n)
  return gender ? said.replace(/un$/, 'une') : said
}

const OWN: OwnRule[] = [
  [/(?<!\p{L})1(?:re|ère)(?!\p{L})/gu, () => 'première'],
  [/(?<!\p{L})1er(?!\p{L})/gu, () => 'premier'],
  [/(?<!\p{L})(\d+)(?:ème|eme|e|è|ᵉ)(?!\p{L})/gu, ([n]) => fr.toOrdinal(whole(n))],
  [
    /(?<!\p{L})([IVX]+)(?:ème|e|ᵉ) (siècle)/gu,
    ([n, word]) => fromRoman(n, (value) => `${fr.toOrdinal(value)} ${word}`),
  ],
  [/(?<!\p{L})(\p{Lu}\p{Ll}+) Ier(?!\p{L})/gu, ([name]) => `${name} premier`],
  // One letter may be an initial; two and V are numbers.
  [
    /(?<!\p{L})(\p{Lu}[\p{Ll}]+) ([IVX]{2,}|V)(?!\p{L}|\.)/gu,
    ([name, n]) => fromRoman(n, (value) => `${name} ${fr.toCardinal(value)}`),
  ],
  [
    /(?<![\d:])(\d{1,2}) ?[h:] ?([0-5]\d)(?![\d:]|\.\d)/g,
    ([h = '', m]) =>
      `${counted(h, 'feminine')} heure${h === '1' ? '' : 's'}${whole(m) ? ` ${fr.toCardinal(whole(m))}` : ''}`,
  ],
  [
    /(?<![\d:])(\d{1,2}) ?h(?![\p{L}\d])/gu,
    ([h = '']) => `${counted(h, 'feminine')} heure${h === '1' ? '' : 's'}`,
  ],
  [/(?<!\p{L})Dr (?=\p{Lu})/gu, () => 'docteur '],
  [/(?<!\p{L})p\. (?=\d)/gu, () => 'page '],
  [/(?<!\p{L})n° ?(?=\d)/gu, () => 'numéro '],
]

const PARTS_OF: Record<number, string> = { 2: 'demi', 3: 'tiers', 4: 'quart' }

/** How French is spoken. */
export const french: LanguageRules = {
  words: fr,
  by: 'sur',
  against: 'à',
  decimal: ',',
  percent: 'pour cent',
  minus: 'moins',
  to: 'à',
  and: 'et',
  units: {
    km: ['kilomètre', 'kilomètres'],
    m: ['mètre', 'mètres'],
    cm: ['centimètre', 'centimètres'],
    mm: ['millimètre', 'millimètres'],
    'm²': ['mètre carré', 'mètres carrés'],
    'km²': ['kilomètre carré', 'kilomètres carrés'],
    'm³': ['mètre cube', 'mètres cubes'],
    ha: ['hectare', 'hectares'],
    l: ['litre', 'litres'],
    ml: ['millilitre', 'millilitres'],
    kg: ['kilogramme', 'kilogrammes'],
    g: ['gramme', 'grammes'],
    t: ['tonne', 'tonnes', 'feminine'],
    'km/h': ['kilomètre heure', 'kilomètres heure'],
    '°C': ['degré', 'degrés'],
    '°': ['degré', 'degrés'],
    W: ['watt', 'watts'],
    kW: ['kilowatt', 'kilowatts'],
    kWh: ['kilowattheure', 'kilowattheures'],
    V: ['volt', 'volts'],
    Hz: ['hertz', 'hertz'],
    '‰': ['pour mille', 'pour mille'],
    '€': ['euro', 'euros'],
    'M€': ['million d’euros', 'millions d’euros'],
    $: ['dollar', 'dollars'],
  },
  counting: counted,
  isOne: (n) => parseFloat(n.replace(',', '.')) < 2,
  cents: (euros, cents) =>
    `${fr.toCardinal(euros)} euro${whole(euros) < 2 ? '' : 's'}${whole(cents) ? ` ${fr.toCardinal(whole(cents))}` : ''}`,
  fraction: (parts, of) => {
    const named = PARTS_OF[of] ?? (of <= 10 ? fr.toOrdinal(of) : undefined)
    if (!named || parts >= of) return undefined
    return `${fr.toCardinal(parts)} ${named}${parts > 1 && !named.endsWith('s') ? 's' : ''}`
  },
  andHalf: (n) => `${fr.toCardinal(n)} et demi`,
  web: { at: 'arobase', dot: 'point', www: 'w w w' },
  shortForms: {
    'M.': 'monsieur',
    'MM.': 'messieurs',
    Mme: 'madame',
    Mlle: 'mademoiselle',
    'etc.': 'et cetera',
    'p. ex.': 'par exemple',
    'c.-à-d.': 'c’est-à-dire',
    'env.': 'environ',
    'av. J.-C.': 'avant Jésus-Christ',
    'apr. J.-C.': 'après Jésus-Christ',
    '§': 'paragraphe',
  },
  own: OWN,
}
