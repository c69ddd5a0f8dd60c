import { MONTHS } from '../text/english/rule.ts'
import { cardinal } from '../text/numbers.ts'
import type { Finding } from './finding.ts'

interface Measure {
  kind: string
  system: 'metric' | 'imperial'
  pattern: RegExp
}

const NUMBER =
  String.raw`(?:\d[\d,.]{0,30}|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|twenty|` +
  'thirty|forty|fifty|sixty|seventy|eighty|ninety|hundred|thousand|million|half a|a|' +
  'few|several)(?:[ -])'
const measure = (kind: string, system: Measure['system'], units: string): Measure => ({
  kind,
  system,
  pattern: new RegExp(String.raw`\b${NUMBER}(?:${units})\b|\d(?:${units})(?![\p{L}])`, 'giu'),
})
const MEASURES: Measure[] = [
  measure(
    'length',
    'metric',
    'kilometres?|kilometers?|km|metres?|meters?|m|centimetres?|centimeters?|cm|millimetres?|millimeters?|mm',
  ),
  measure('length', 'imperial', 'miles?|yards?|feet|foot|ft|inch(?:es)?'),
  measure('weight', 'metric', 'kilograms?|kilos?|kg|grams?|tonnes?'),
  measure('weight', 'imperial', 'pounds?(?! sterling)|lbs?|ounces?|oz|stone'),
  measure('temperature', 'metric', String.raw`degrees? (?:celsius|centigrade)|°\s?C`),
  measure('temperature', 'imperial', String.raw`degrees? fahrenheit|°\s?F`),
  measure('volume', 'metric', 'litres?|liters?|l|millilitres?|ml'),
  measure('volume', 'imperial', 'gallons?|pints?|quarts?'),
]

/**
 * Where a measure leaves the system the film mostly uses for its kind.
 *
 * @returns `[]` where one system of units is kept
 */
export function mixedUnits(narration: string): Finding[] {
  const found = MEASURES.flatMap(({ kind, system, pattern }) =>
    [...narration.matchAll(pattern)].map((match) => ({
      kind,
      system,
      from: match.index,
      to: match.index + match[0].length,
    })),
  )
  return [...new Set(found.map(({ kind }) => kind))]
    .flatMap((kind) => {
      const [metric, imperial] = (['metric', 'imperial'] as const).map((system) =>
        found.filter((one) => one.kind === kind && one.system === system),
      ) as [typeof found, typeof found]
      if (!metric.length || !imperial.length) return []
      const [rarer, usual] =
        metric.length < imperial.length ? [metric, 'imperial'] : [imperial, 'metric']
      return rarer.map(({ from, to }): Finding => ({
        kind: 'unit',
        from,
        to,
        text: `A ${kind} in other units than the film's (mostly ${usual}).`,
      }))
    })
    .sort((a, b) => a.from - b.from)
}

const SMALL = Array.from({ length: 10 }, (_, i) => cardinal(i + 1))
const NUMERAL = new RegExp(
  String.raw`(?<![\p{L}\d.,:/#£$€-])(?:10|[1-9])(?![\d.,:/%°-]|\s?(?:%|°|[ap]\.?m|km|m|cm|mm|` +
    String.raw`kg|g|l|ft|in|mph|kW|W|V|Hz|per|metres?|meters?|kilomet\w+|miles?|feet|tonnes?|` +
    'tons?|litres?|hours?|minutes?|seconds?|years?|days?|degrees?|million|billion|' +
    String.raw`thousand|hundred|${MONTHS})\b|(?:st|nd|rd|th))`,
  'gu',
)
/** What a figure after it belongs to: a date, a number of something. */
const COUNTED_OFF = new RegExp(String.raw`\b(?:${MONTHS}|No\.|Nr\.|chapter|part|number)\s$`, 'i')
const IN_WORDS = new RegExp(
  String.raw`(?<![\p{L}-])(?:${SMALL.slice(1).join('|')})(?![\p{L}-])`,
  'giu',
)

/** Small counts written now in figures, now in words: the rarer way, where both are used. */
export function numeralsAgainstWords(narration: string): Finding[] {
  const numerals = [...narration.matchAll(NUMERAL)].filter(
    ({ index }) => !COUNTED_OFF.test(narration.slice(Math.max(0, index - 12), index)),
  )
  const words = [...narration.matchAll(IN_WORDS)]
  if (!numerals.length || !words.length) return []
  const [rarer, way] =
    numerals.length <= words.length ? [numerals, 'in words'] : [words, 'in figures']
  return rarer.map((found): Finding => ({
    kind: 'numeral',
    from: found.index,
    to: found.index + found[0].length,
    text: `“${found[0]}”: other small counts are written ${way}.`,
  }))
}
