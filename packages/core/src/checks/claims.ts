import type { CheckedClaim } from '../document/document.ts'
import { itemAt } from '../faults/certain.ts'
import { narrationOnly } from '../script/narration.ts'
import { sentencePiecesIn } from '../script/paragraphs.ts'
import type { ParsedScript } from '../script/parse.ts'
import { MONTHS } from '../text/english/rule.ts'
import { pattern, wordList } from '../text/pattern.ts'
import { checkedAs, type Claim, type ClaimKind } from './claim.ts'

const COUNT =
  'one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|thirteen|fourteen|fifteen|' +
  'sixteen|seventeen|eighteen|nineteen|twenty|thirty|forty|fifty|sixty|seventy|eighty|ninety'
const BIG = 'hundred|thousand|million|billion|trillion|dozen'
const DATE = new RegExp(
  String.raw`\b(?:\d{1,2}(?:st|nd|rd|th)?(?: of)? (?:${MONTHS})(?:,? \d{4})?|` +
    String.raw`(?:${MONTHS}) \d{1,2}(?:st|nd|rd|th)?(?:,? \d{4})?|(?:[Ii]n|[Ss]ince|[Bb]y|` +
    '[Uu]ntil|[Ff]rom|[Bb]efore|[Aa]fter|[Aa]round|[Aa]bout|early|late|of|to|and|' +
    String.raw`,) (?:the (?:early |late |mid-?)?)?(?:1\d{3}|20\d\d)s?|(?:1\d{3}|20\d\d)s\b|` +
    String.raw`(?:the )?(?:\w+teenth|twentieth|twenty-first|\d{1,2}(?:st|nd|rd|th)) century|` +
    String.raw`(?:${MONTHS}) (?:1\d{3}|20\d\d))`,
  'g',
)
const MEASURE =
  'metres?|miles?|feet|years?|hours?|tonnes?|people|times|kilometres?|pounds|dollars|euros'
const DURATION = 'hours?|minutes?|seconds?|days?'
const DIGITS =
  String.raw`(?:[£$€]\s?)?(?<![\p{L}\d.,])\d[\d,.]*\d?(?:\s?(?:%|per cent|percent|°[CF]?|` +
  String.raw`${BIG}|(?:[kcmµn]?m|[km]?g|km/h|mph|k?W|[kM]?Hz|V|m/s|ft|in|lbs?|oz|ha|l|` +
  String.raw`ml)[²³]?(?![\p{L}])|kilo\w+|metres?|meters?|miles?|feet|years?|${DURATION}|` +
  'tonnes?|tons?|people|times))?'
/** "Two hundred and forty metres", "several thousand". */
const LARGE_IN_WORDS =
  String.raw`\b(?:(?:${COUNT})(?:-(?:${COUNT}))?|a|several)(?: (?:${BIG}))+` +
  `(?: (?:and )?(?:${COUNT})(?:-(?:${COUNT}))?)?(?: (?:${MEASURE}))?`
const SHARE =
  String.raw`\b(?:twice|three times|four times|ten times|half|a third|two thirds|a quarter|` +
  String.raw`three quarters) (?:as|the|of)\b[^,.;!?]{0,24}?` +
  String.raw`(?=[,.;!?]|\s(?:and|but|so|which|that|than)\b|$)`
const TENS_IN_WORDS =
  String.raw`\b(?:twenty|thirty|forty|fifty|sixty|seventy|eighty|ninety)(?:-(?:${COUNT}))?` +
  `(?: (?:per ?cent|metres?|miles?|feet|years?|${DURATION}|tonnes?|kilometres?|times))?` +
  String.raw`\b`
const MEASURED_IN_WORDS =
  String.raw`\b(?:${COUNT}) (?:per ?cent|metres?|miles?|feet|years?|${DURATION}|weeks?|` +
  String.raw`months?|tonnes?|kilometres?|centuries|decades|times)\b`
const NUMBER = new RegExp(
  [DIGITS, LARGE_IN_WORDS, SHARE, TENS_IN_WORDS, MEASURED_IN_WORDS].join('|'),
  'giu',
)
const SUPERLATIVE = pattern(
  'giu',
  String.raw`(?:\bthe (?:most|least) (?!of\b|people\b|likely\b|days\b|things\b|shores\b)`,
  String.raw`\p{L}{4,}|\b(?:the )?(?:first|oldest|newest|largest|biggest|smallest|longest|`,
  String.raw`shortest|tallest|highest|deepest|lowest|fastest|slowest|heaviest|lightest|strongest|`,
  String.raw`weakest|richest|earliest|latest|busiest|greatest|best|worst|hottest|coldest|nearest|`,
  String.raw`farthest|furthest|brightest|darkest|rarest|commonest|\p{L}{3,}(?<!inter|for|har|hon|`,
  String.raw`mod|earn|t)est) (?:\p{L}+ ){0,2}?(?:in|on|of|ever|to|known|that|yet|anywhere)\b|`,
  String.raw`\bthe only (?:\p{L}+ ){1,3}(?:in the|on the|ever|that|to have|known)\b)`,
)
const ABSOLUTE = pattern(
  'giu',
  String.raw`\b(?:no (?:other )?\p{L}+ (?:has|have|had|can|could|was|were) ever|has never been|`,
  String.raw`have never been|always|never|every single|all of (?:them|the)|none of)\b`,
)
const CAUSE = pattern(
  'giu',
  String.raw`\b(?:because(?: of)?|caused by|causes?|led to|leads to|thanks to|due to|`,
  String.raw`as a result(?: of)?|results? in|resulted in|which is why|that is why|the reason|`,
  String.raw`therefore|makes? it|made it possible|prevents?|prevented)\b`,
)
const NAME = pattern(
  'gu',
  String.raw`(?<![\p{L}])(?:(?:Mr|Mrs|Ms|Dr|Prof|St|Mt|Lake|Mount|Cape|Bay of|Isle of|Port|Sir|`,
  String.raw`Captain)\.? )?\p{Lu}[\p{Ll}'’]+(?:[ -](?:of |de |van |von |the )?\p{Lu}[\p{Ll}'’]+)*`,
)
const NO_NAMES = new Set(
  wordList(`
    I The A An It He She They We You This That These Those There Here What Why How Who Where
    When Which And But Or So If In On At By For From To Of With Without After Before Until
    Since As Then Now Not No Yes One Two Three Four Five Six Seven Eight Nine Ten Every Each
    Some Most Many All Both Nobody Nothing Everybody Today Tomorrow Monday Tuesday Wednesday
    Thursday Friday Saturday Sunday ${MONTHS.replaceAll('|', ' ')} English Its Their Our My
    Your His Her Even Only Still Once Perhaps Almost Imagine Think Look Listen Watch Sun
    Moon Earth North South East West God
  `),
)

const PATTERNS: [ClaimKind, RegExp][] = [
  ['date', DATE],
  ['number', NUMBER],
  ['superlative', SUPERLATIVE],
  ['superlative', ABSOLUTE],
  ['cause', CAUSE],
]

/**
 * Every number, date, name, superlative and causal statement of the narration, in order, each with
 * its sentence.
 *
 * @returns in the order of the script, each with the scene it is in; `[]` for none
 */
export function claimsOf(script: string, parsed: ParsedScript): Claim[] {
  const narration = narrationOnly(script, parsed)
  const lower = new Set(narration.match(/(?<![\p{L}])\p{Ll}+/gu) ?? [])
  let scene = 0
  return sentencePiecesIn(narration).flatMap((sentence) => {
    const text = narration.slice(sentence.from, sentence.to)
    const evened = even(text)
    return claimsIn(text, lower).map(({ kind, from, to }): Claim => {
      const at = sentence.from + from
      while (scene + 1 < parsed.scenes.length && itemAt(parsed.scenes, scene).source.to <= at)
        scene++
      return {
        kind,
        words: even(text.slice(from, to)),
        from: at,
        to: sentence.from + to,
        sentence: evened,
        scene,
      }
    })
  })
}

const even = (text: string) => text.replace(/\s+/g, ' ').trim()

interface Found {
  kind: ClaimKind
  from: number
  to: number
}

/**
 * What one sentence claims.
 *
 * @param lower words that the narration also writes with a small letter: they are no names
 */
export function claimsIn(text: string, lower: ReadonlySet<string>): Found[] {
  const found: Found[] = []
  const free = (from: number, to: number) =>
    found.every((other) => to <= other.from || from >= other.to)
  const add = (kind: ClaimKind, from: number, to: number) => {
    if (free(from, to)) found.push({ kind, from, to })
  }
  for (const [kind, pattern] of PATTERNS)
    for (const { index, 0: words } of text.matchAll(pattern)) {
      const lead =
        kind === 'date'
          ? (/^(?:in|since|by|until|from|before|after|around|about|of|to|and|,)\s+/i.exec(
              words,
            )?.[0].length ?? 0)
          : 0
      add(kind, index + lead, index + words.trimEnd().replace(/[.,]$/, '').length)
    }
  for (const { index, 0: words } of text.matchAll(NAME)) {
    const opening = /^\W*$/.test(text.slice(0, index))
    const first = itemAt(words.split(/[ -]/), 0).replace(/['’]s$/, '')
    // A word that opens the sentence is a name only where it is never written small, or with
    // another name after it.
    const rest =
      NO_NAMES.has(first) || (opening && (lower.has(first.toLowerCase()) || !/[ ]/.test(words)))
        ? words.slice(first.length).search(/\p{Lu}/u)
        : 0
    if (rest < 0) continue
    const from = rest > 0 ? index + first.length + rest : index
    const name = text.slice(from, index + words.length).replace(/['’]s$/, '')
    if (!NO_NAMES.has(name)) add('name', from, from + name.length)
  }
  return found.sort((a, b) => a.from - b.from)
}

/** A claim that should not go out as it is. */
export interface DoubtedClaim {
  scene: number
  words: string
  mark: 'unsure' | 'wrong'
}

/**
 * Claims that somebody marked unsure or wrong, in order.
 *
 * @returns those marked unsure or wrong, in the order of the script; `[]` for none
 */
export function doubtedClaims(
  script: string,
  parsed: ParsedScript,
  known: readonly CheckedClaim[],
): DoubtedClaim[] {
  if (!known.some(({ mark }) => mark !== 'checked')) return []
  return claimsOf(script, parsed).flatMap((claim) => {
    const mark = checkedAs(claim, known)?.mark
    return mark === 'unsure' || mark === 'wrong'
      ? [{ scene: claim.scene, words: claim.words, mark }]
      : []
  })
}
