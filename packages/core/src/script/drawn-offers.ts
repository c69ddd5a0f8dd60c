import { pattern } from '../text/pattern.ts'
import { type DrawnForm, readDrawn, readFigure } from './drawn.ts'

/** Something a sentence says that is worth drawing. */
export interface DrawnOffer {
  form: DrawnForm
  /** As a direction has it. */
  text: string
  /** What is like it: who turns one down is offered none of these. */
  like: string
  /** How much it tells, 0 to 1. */
  worth: number
}

const UNIT = pattern(
  '',
  String.raw`(?:%|°[CF]?|per ?cent|(?:million|billion|trillion|thousand|hundred)(?: \p{Ll}+)?|`,
  String.raw`(?:square |cubic )?(?:kilo|centi|milli)?met(?:re|er)s?|miles?|feet|foot|inch(?:es)?|`,
  String.raw`tonnes?|tons?|kilograms?|pounds?|lit(?:re|er)s?|degrees?|years?|days?|hours?|`,
  String.raw`minutes?|seconds?|weeks?|months?|times|people|km|kg|mm|cm|m|kW|MW|GW|mph)(?![\p{L}\d])`,
)
const AMOUNT = new RegExp(
  String.raw`[£$€]?\d[\d,.\u00a0]*(?<=\d)(?:[ \u00a0-]?${UNIT.source})?`,
  'gu',
)
const YEAR =
  /(?<![\d.,£$€])(?:1[0-9]\d\d|20\d\d)(?!\d|[.,]\d|[ \u00a0-](?:miles|met|people|years|tons))/gu
const QUOTED = /[“"«]([^“”"«»]{12,160})[”"»]/u
const FROM_TO = new RegExp(
  String.raw`\bfrom (?:about |around |some )?([£$€]?\d[\d,.]*(?: ?${UNIT.source})?) to (?:about |around |over )?([£$€]?\d[\d,.]*(?: ?${UNIT.source})?)`,
  'u',
)
/** Two words and more, then commas and "and": a list that is said as one. */
const LISTED =
  /(?::\s*|\b(?:are|were|is|has|have|needs?|with|of)\s+)((?:[^,:;.!?]{3,40},\s+){1,5}(?:and|or)\s+[^,:;.!?]{3,40}|(?:[^,:;.!?]{3,40},\s+){1,5}[^,:;.!?]{3,40}\s+(?:and|or)\s+[^,:;.!?]{3,40})/u

/**
 * What of a sentence may be drawn, most telling first. Every figure stands in the sentence; nothing
 * is worked out.
 *
 * @example drawnOffers('It costs 20 miles of rope.')[0] // => { form: 'number', text: '20 miles', … }
 */
export function drawnOffers(sentence: string): DrawnOffer[] {
  const text = sentence.slice(0, 1000)
  const offers = [...changes(text), ...shares(text), ...dates(text), ...amounts(text)]
  const all = [...offers, ...quotes(text), ...lists(text)]
  return all
    .filter(({ form, text: words }) => readDrawn(form, words))
    .filter((offer, i) => all.findIndex((other) => other.text === offer.text) === i)
    .sort((a, b) => b.worth - a.worth)
}

function changes(text: string): DrawnOffer[] {
  const [, from, to] = FROM_TO.exec(text) ?? []
  return from && to
    ? [{ form: 'change', text: `${from.trim()} to ${to.trim()}`, like: 'change', worth: 0.95 }]
    : []
}

function shares(text: string): DrawnOffer[] {
  return [
    ...text.matchAll(/(\d[\d.,]*)\s?(?:%|per ?cent)(?:\s+of\s+([^,.;:!?]{3,40}))?/gu),
  ].flatMap(([, figure = '', of = '']): DrawnOffer[] => {
    const value = readFigure(figure)?.value ?? 101
    if (value > 100) return []
    return [
      {
        form: 'share',
        text: of ? `${figure} % of ${of}` : `${figure} %`,
        like: 'share',
        worth: 0.9,
      },
    ]
  })
}

function dates(text: string): DrawnOffer[] {
  const years = [...new Set([...text.matchAll(YEAR)].map(([year]) => year))]
  if (years.length >= 2)
    return [{ form: 'years', text: years.slice(0, 6).join('; '), like: 'year', worth: 0.85 }]
  return years.map((year) => ({ form: 'super', text: year, like: 'year', worth: 0.6 }))
}

/** Amounts with a unit, or large ones: small counts are said in passing. */
function amounts(text: string): DrawnOffer[] {
  return [...text.matchAll(AMOUNT)].flatMap(([written]): DrawnOffer[] => {
    const figure = readFigure(written)
    if (!figure || /%|per ?cent/.test(written)) return []
    const isYear = !figure.after && !figure.before && figure.value >= 1000 && figure.value < 2100
    const isSmall = figure.value < 20 && !figure.after
    if (isYear || isSmall) return []
    const unit = figure.after.split(' ').at(-1)?.replace(/s$/, '') ?? ''
    const worth = Math.min(0.9, 0.5 + (figure.after ? 0.15 : 0) + Math.log10(figure.value + 1) / 20)
    return [{ form: 'number', text: written.trim(), like: `number ${unit}`.trim(), worth }]
  })
}

function quotes(text: string): DrawnOffer[] {
  const words = QUOTED.exec(text)?.[1]
  return words ? [{ form: 'quote', text: words.trim(), like: 'quote', worth: 0.7 }] : []
}

function lists(text: string): DrawnOffer[] {
  const found = LISTED.exec(text)?.[1]
  if (!found) return []
  const items = found
    .split(/,\s*(?:and|or)?\s*|\s+(?:and|or)\s+/u)
    .map((item) => item.trim())
    .filter(Boolean)
  return items.length >= 3
    ? [{ form: 'list', text: items.slice(0, 6).join('; '), like: 'list', worth: 0.65 }]
    : []
}
