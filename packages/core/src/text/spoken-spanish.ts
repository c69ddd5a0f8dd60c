import * as es from 'n2words/es-ES'
import { fromRoman, type LanguageRules, type OwnRule, whole } from './language-rules.ts'

/** The library says "punto" as in the Americas, where Spain says "coma", and leaves out an accent. */
const toCardinal = (n: string | number) =>
  es
    .toCardinal(n)
    .replace(' punto ', ' coma ')
    .replace(/dieciseis/g, 'dieciséis')

/** Before a noun one loses its end: veintiún kilómetros, treinta y un metros. */
const counted = (n: string, gender?: 'feminine') => {
  const said = toCardinal(n)
  if (gender) return said.replace(/uno$/, 'una')
  return said.replace(/veintiuno$/, 'veintiún').replace(/uno$/, 'un')
}
const feminine = (word: string) => word.replace(/o$/, 'a')

const OWN: OwnRule[] = [
  [
    /(?<!\p{L})(siglos?) ([IVXL]+)(?: (y|al?) ([IVXL]+))?(?!\p{L})/gu,
    ([word, n, and, last]) =>
      fromRoman(n, (value) => {
        const more = last && fromRoman(last, (other) => ` ${and} ${toCardinal(other)}`)
        return `${word} ${toCardinal(value)}${more ?? ''}`
      }),
  ],
  // Kings: up to the tenth by their order (common practice).
  [
    /(?<!\p{L})(\p{Lu}\p{Ll}+) ([IVX]{2,}|V)(?!\p{L}|\.)/gu,
    ([name = '', n]) =>
      fromRoman(n, (value) => {
        const said = value <= 10 ? es.toOrdinal(value) : toCardinal(value)
        return `${name} ${/(?:a|Isabel)$/.test(name) ? feminine(said) : said}`
      }),
  ],
  [
    /(?<![\d.,])(\d{1,2})\.?([ºª])/g,
    ([n, sign]) => {
      if (whole(n) > 10) return undefined
      const said = es.toOrdinal(whole(n))
      return sign === 'ª' ? feminine(said) : said
    },
  ],
  [
    /(?<![\d:])(\d{1,2}):([0-5]\d)(?: ?h(?!\p{L}))?(?![\d:]|\.\d)/gu,
    ([h = '', m]) => `${counted(h, 'feminine')}${whole(m) ? ` y ${toCardinal(whole(m))}` : ''}`,
  ],
  // Treinta y un barcos, treinta y una casas.
  [
    /(?<![\d.,/])(\d*[02-9]1)(?= \p{Ll}+([oa])s(?!\p{L}))/gu,
    ([n = '', end]) => counted(n, end === 'a' ? 'feminine' : undefined),
  ],
  [/(?<!\p{L})n\.?º ?(?=\d)/gu, () => 'número '],
  [/(?<!\p{L})c\/ ?(?=\p{Lu})/gu, () => 'calle '],
]

const PARTS_OF: Record<number, string> = {
  3: 'tercio',
  4: 'cuarto',
  5: 'quinto',
  6: 'sexto',
  7: 'séptimo',
  8: 'octavo',
  9: 'noveno',
  10: 'décimo',
}

/** How Spanish is spoken. */
export const spanish: LanguageRules = {
  words: { ...es, toCardinal },
  by: 'por',
  against: 'a',
  decimal: ',',
  percent: 'por ciento',
  minus: 'menos',
  to: 'a',
  and: 'y',
  units: {
    km: ['kilómetro', 'kilómetros'],
    m: ['metro', 'metros'],
    cm: ['centímetro', 'centímetros'],
    mm: ['milímetro', 'milímetros'],
    'm²': ['metro cuadrado', 'metros cuadrados'],
    'km²': ['kilómetro cuadrado', 'kilómetros cuadrados'],
    'm³': ['metro cúbico', 'metros cúbicos'],
    ha: ['hectárea', 'hectáreas', 'feminine'],
    l: ['litro', 'litros'],
    ml: ['mililitro', 'mililitros'],
    kg: ['kilogramo', 'kilogramos'],
    g: ['gramo', 'gramos'],
    t: ['tonelada', 'toneladas', 'feminine'],
    'km/h': ['kilómetro por hora', 'kilómetros por hora'],
    '°C': ['grado', 'grados'],
    '°': ['grado', 'grados'],
    W: ['vatio', 'vatios'],
    kW: ['kilovatio', 'kilovatios'],
    kWh: ['kilovatio hora', 'kilovatios hora'],
    V: ['voltio', 'voltios'],
    Hz: ['hercio', 'hercios'],
    '‰': ['por mil', 'por mil'],
    '€': ['euro', 'euros'],
    'M€': ['millón de euros', 'millones de euros'],
    $: ['dólar', 'dólares'],
  },
  counting: counted,
  cents: (euros, cents) =>
    `${counted(euros)} euro${euros === '1' ? '' : 's'}${whole(cents) ? ` con ${toCardinal(whole(cents))}` : ''}`,
  fraction: (parts, of) => {
    if (of === 2) return parts === 1 ? 'medio' : undefined
    const named = PARTS_OF[of]
    return named && parts < of
      ? `${counted(String(parts))} ${named}${parts > 1 ? 's' : ''}`
      : undefined
  },
  andHalf: (n) => `${toCardinal(n)} y medio`,
  web: { at: 'arroba', dot: 'punto', www: 'uve doble uve doble uve doble' },
  shortForms: {
    'Sr.': 'señor',
    'Sra.': 'señora',
    'Srta.': 'señorita',
    'Dr.': 'doctor',
    'Dra.': 'doctora',
    'EE. UU.': 'Estados Unidos',
    'EE.UU.': 'Estados Unidos',
    'etc.': 'etcétera',
    'p. ej.': 'por ejemplo',
    'pág.': 'página',
    'págs.': 'páginas',
    'aprox.': 'aproximadamente',
    'a. C.': 'antes de Cristo',
    'd. C.': 'después de Cristo',
    '§': 'párrafo',
  },
  own: OWN,
}
