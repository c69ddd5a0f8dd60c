import { LARGE } from '../english-measures.ts'
import { cardinal as cardinalIn, digits } from '../numbers.ts'
import { type InWords, NUMBER, type Rule, UNIT } from './rule.ts'

/** Nil is said of a side that scored nothing. */
const goals = (n: string) => (n === '0' ? 'nil' : cardinalIn(Number(n)))

/** A number of a room, a road or a machine: its hundreds, then the rest. */
function byHundreds(thing: string, n: string): string {
  const [hundreds, rest] = [Number(n.charAt(0)), Number(n.slice(1))]
  if (rest === 0) return `${thing} ${cardinalIn(Number(n))}`
  return `${thing} ${cardinalIn(hundreds)} ${rest < 10 ? 'oh ' : ''}${cardinalIn(rest)}`
}

function clock(hours: number, minutes: number, half?: string): string {
  const noon = half ? ` ${half.charAt(0).toUpperCase()} M` : ''
  if (minutes === 0) return `${cardinalIn(hours)}${noon || " o'clock"}`
  return `${cardinalIn(hours)} ${minutes < 10 ? 'oh ' : ''}${cardinalIn(minutes)}${noon}`
}

/**
 * What is large, the time of day, numbers things bear, and scores.
 *
 * @returns in the order they are to be tried; each leaves no digits behind
 */
export function timeRules({ cardinal, decimal }: InWords): Rule[] {
  return [
    [
      new RegExp(String.raw`\b(${NUMBER})\s?(bn|tn)\b`, 'g'),
      (n, large) => `${decimal(n)} ${LARGE[large]}`,
    ],
    [/\b(\d+(?:\.\d+)?)M\b(?! ?Hz)/g, (n) => `${decimal(n)} million`],
    [/\b(\d+(?:\.\d+)?)k\b(?! ?(?:Hz|W|V|Pa|N|J|B)\b)/g, (n) => `${decimal(n)} thousand`],
    [
      /\b(\d+):(\d+)(?= (?:ratio|scale|odds|aspect|mixture|picture|screen|film|video|gear))/g,
      (a, b) => `${cardinal(Number(a))} to ${cardinal(Number(b))}`,
    ],
    [
      /\b(\d{1,2}):([0-5]\d)(?:\s?(a\.?m\.?|p\.?m\.?|A M|P M))?(?![\d:]|,\d{3})/gi,
      (h, m, half) => clock(Number(h), Number(m), half),
    ],
    [
      /\b(\d{1,2})\s?(a\.?m\.?|p\.?m\.?|A M|P M)(?!\w)/gi,
      (n, half) => `${cardinal(Number(n))} ${half.charAt(0).toUpperCase()} M`,
    ],
    [
      /\b(call|dial|phone|ring|rang|called|dialled) (\d{3})\b(?![\d,. ]*\d| (?!now\b|for\b|if\b|and\b|or\b|at\b|when\b)\p{Ll})/giu,
      (word, n) => `${word} ${digits(n)}`,
    ],
    [/\b(flight(?: [A-Z]{2})?) ?(\d{2,4})\b/gi, (word, n) => `${word} ${digits(n)}`],
    [/\b([Rr]oom|Boeing|Airbus|Route|Highway|Platform|Channel) ([1-9]\d\d)\b/g, byHundreds],
    [
      /\b([ABM])([1-9])0([1-9])\b/g,
      (road, a, b) => `${road} ${cardinal(Number(a))} oh ${cardinal(Number(b))}`,
    ],
    [
      /\b(\d{1,2})\.([0-5]\d)(?= (?:train|bus|ferry|boat|tram|news|service)\b)/g,
      (h, m) => clock(Number(h), Number(m)),
    ],
    [
      /\b(\d+):(\d{1,3}(?:,\d{3})+|\d+)\b/g,
      (a, b) => `${cardinal(Number(a))} to ${cardinal(Number(b.replace(/,/g, '')))}`,
    ],
    [
      new RegExp(
        String.raw`\b(won|win|wins|lost|lose|loses|drew|beat|beaten|led|lead|leading|trailed|scored?|` +
          String.raw`finished|ended)( (?:\p{L}+ ){0,3}?)(\d{1,2})[–-](\d{1,2})\b(?!\s?(?:%|${UNIT}|\p{L}))`,
        'giu',
      ),
      (word, between, a, b) => `${word}${between}${goals(a)} ${goals(b)}`,
    ],
    [
      /\b(\d{1,2})[–-](\d{1,2})(?= (?:win|victory|defeat|loss|draw|lead|thriller)\b)/g,
      (a, b) => `${goals(a)} ${goals(b)}`,
    ],
  ]
}
