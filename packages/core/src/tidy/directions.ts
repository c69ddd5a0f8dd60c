import { certain } from '../faults/certain.ts'
import { DRAWN_FORMS } from '../script/drawn.ts'
import { pattern } from '../text/pattern.ts'
import { meaningOf, picture } from './direction-words.ts'
import { namesPart } from './headings.ts'
import { foreignMeaning, labelMeaning as foreignLabel, type TidyRules } from './languages/rules.ts'
import type { Line, Page } from './page.ts'

const OWN = pattern(
  'gi',
  String.raw`\[(?:(?:picture|sound|music|`,
  DRAWN_FORMS.join('|'),
  String.raw`)\s*:\s*[^[\]\n]*|pause\b[^[\]\n]*)\]`,
)
const LABELLED = pattern(
  'i',
  String.raw`^\s*(?:[-*•]\s+)?[[(]?(?:\*\*|__|\*)?(visuals?|video|b-?roll|picture|image|photo|`,
  String.raw`footage|graphics?|animation|clip|stock(?: footage)?|cutaway|diagram|map|insert|show|`,
  String.raw`shot|music|sound(?: effects?)?|sfx|fx|ambien(?:t|ce)|bgm|background music|`,
  String.raw`text on[ -]screen|on[ -]screen(?: text)?|super|lower third|title card|caption|`,
  String.raw`text overlay|chyron|camera|tone|delivery|transition|lighting|director|action|cue|`,
  String.raw`pace|pacing|energy)(?:\s*\([^)]*\))?(?:\*\*|__|\*)?\s*(?::|–|—|\s-\s)(?:\*\*|__|`,
  String.raw`\*)?\s*(.+?)(?:\*\*|__|\*)?[\])]?\s*$`,
)
/** Sizes of shots as shot lists write them. */
const SHOT_SIZE = pattern(
  '',
  String.raw`^\s*(?:[-*•]\s+)?(?:E?CU|ECU|BCU|MCU|MS|WS|EWS|VWS|LS|ELS|MLS|POV|OTS|GFX|VFX|`,
  String.raw`AERIAL|DRONE|INSERT|TIMELAPSE)\s*[:–—-]\s*(.+)$`,
)
const BROLL_OF = pattern(
  'i',
  String.raw`^\s*(?:b-?roll|(?:stock |archive |drone |aerial )?footage|close-?up|cutaway|`,
  String.raw`time-?lapse|slow motion|montage|(?:wide|aerial|drone|tracking|establishing|tight|`,
  String.raw`long|medium|opening|closing) (?:shot|view)) (?:of|over|on|to|across|from|along|`,
  String.raw`showing|with) (?!.*\b(?:is|was|are|were|has|had|have)\b).+$`,
)
const SLUG = pattern(
  '',
  String.raw`^\s*(?:INT|EXT|INT\.?/EXT|I/E)[. ]+\s*(.+?)(?:\s*[–—-]+\s*(DAY|NIGHT|DAWN|DUSK|`,
  String.raw`MORNING|EVENING|NOON|SUNSET|SUNRISE|LATER|CONTINUOUS|AFTERNOON))?\s*$`,
)
const TRANSITION = pattern(
  '',
  String.raw`^\s*(?:FADE (?:IN|OUT|TO BLACK|UP)|(?:SMASH |JUMP |MATCH |HARD )?CUT TO(?: BLACK)?|`,
  String.raw`CUT|DISSOLVE TO|CROSSFADE|CROSS DISSOLVE|WIPE(?: TO)?|TRANSITION|MONTAGE|END|`,
  String.raw`THE END|FIN|BLACK|ROLL CREDITS|END CREDITS|Fade (?:in|out|to black)|`,
  String.raw`Cut to(?: black)?|Roll credits|End of (?:script|video|narration))\s*[.:…]*\s*$`,
)
const TRANSITION_TO =
  /^\s*(?:FADE IN|FADE TO|(?:SMASH |JUMP |MATCH )?CUT TO|DISSOLVE TO)\s*:\s*(\S.*)$/
const WHOLE_ITALIC = /^\s*(\*\*\*|\*|___|_)(?!\1|[*_])([^*_\n]+)\1\s*$/
const WHOLE_BOLD_SQUARE = /^\s*(?:\*\*|__)\[([^[\]\n]+)\](?:\*\*|__)\s*$/
/** Between notes, as subtitles write music. */
const NOTES = /[♪♫♬]+(?:([^♪♫♬\n]*)[♪♫♬]+)?/g
/** Of sounds in italics, only those that stand where a sentence would. */
const STANDS_ALONE = /(?:^|[.!?…]\s|\n)\s*$/
const WHOLE_ROUND = /^\s*\(([^()\n]+)\)\s*$/
/** A bracket with something behind it is no line of its own. */
const OPENS_WITH_BRACKET =
  /^\s*(?:\*\*|__|\*)?(?:\[[^\]\n]*\]|\([^)\n]*\))(?!\s*(?:\*\*|__|\*)?\s*[.:]?\s*$)/
/** With the marks of emphasis around them, if there are any. */
const BRACKETS = [/(\*{0,3}|_{0,3})\[([^[\]\n]+)\]\1/g, /(\*{0,3}|_{0,3})\{([^{}\n]+)\}\1/g]
const ROUND = /(\*{0,3}|_{0,3})\(([^()\n]+)\)\1/g
const ITALIC = /(?<![\p{L}\p{N}*_])(\*|_)(?![\s*_])([^*_\n]{3,60})(?<!\s)\1(?![\p{L}\p{N}*_])/gu
const ANGLE = /<<([^<>\n]{3,80})>>|<(?!\/?\w+(?:\s[^<>]*)?\/?>)([^<>\n]{3,80})>/g

/**
 * Directions that have a line of their own.
 *
 * @returns nothing: what is found is claimed on the page, which may be none of it
 */
export function findDirectionLines(page: Page) {
  for (const { index, 0: own } of page.view.matchAll(OWN)) page.keep(index, index + own.length)
  const { lines } = page
  const actions = new Set(actionLines(lines))
  for (const line of lines)
    if (actions.has(line)) page.mark('direction', line.from, line.to, picture(line.text))
    else wholeLine(page, line)
}

/** A name in capitals on a line of its own: who speaks, in a screenplay. */
const CUE = /^\s*\p{Lu}[\p{Lu}'’. -]{1,30}(?:\([^()]*\))?\s*$/u

/** Of a screenplay, what happens between the line that names a place and who speaks there first. */
function actionLines(lines: readonly Line[]): Line[] {
  const found: Line[] = []
  let since: Line[] | undefined
  lines.forEach((line, i) => {
    const { text } = line
    if (SLUG.test(text)) since = []
    else if (since && CUE.test(text) && lines[i + 1]?.text.trim()) {
      found.push(...since)
      since = undefined
    } else if (since && /[.!?…]\s*$/.test(text) && lineMeaning(text) === undefined) since.push(line)
  })
  return found
}

/**
 * Directions in the midst of narration: in brackets, in italics.
 *
 * @returns nothing: what is found is claimed on the page, which may be none of it
 */
export function findDirections(page: Page) {
  for (const pattern of BRACKETS)
    for (const found of page.view.matchAll(pattern)) square(page, found)
  for (const { index, 0: whole, 2: inside = '' } of page.view.matchAll(ROUND)) {
    // What somebody is quoted with stays as they said or wrote it.
    if (quotedWithin(page.view, index)) continue
    const meaning = meaningIn(page, inside, true)
    if (meaning !== undefined) page.mark('direction', index, index + whole.length, meaning)
  }
  for (const { index, 0: whole, 1: heard } of page.view.matchAll(NOTES))
    page.mark('direction', index, index + whole.length, `[music: ${heard?.trim() || 'music'}]`)
  for (const { index, 0: whole, 2: inside = '', input } of page.view.matchAll(ITALIC)) {
    // Inside a sentence italics are emphasis, whatever word they are on.
    const alone =
      STANDS_ALONE.test(input.slice(Math.max(0, index - 5), index)) &&
      /^[.!]?(?:\s+[\p{Lu}"“*_([]|\s*\n|\s*$)/u.test(
        input.slice(index + whole.length, index + whole.length + 12),
      )
    const meaning = meaningIn(page, inside, !alone || /[.,!?]/.test(inside))
    if (!alone && !meaning?.startsWith('[pause')) continue
    if (meaning !== undefined) page.mark('direction', index, index + whole.length, meaning)
  }
  for (const { index, 0: whole, 1: double, 2: single = '' } of page.view.matchAll(ANGLE)) {
    const meaning = meaningIn(page, double ?? single, false)
    if (meaning !== undefined) page.mark('direction', index, index + whole.length, meaning)
  }
}

function wholeLine(page: Page, { from, to, text }: Line) {
  const meaning = lineMeaning(text) ?? (page.rules ? foreignLine(text, page.rules) : undefined)
  if (meaning !== undefined)
    page.mark('direction', from + (text.length - text.trimStart().length), to, meaning)
}

/** As `meaningOf`, in the language of the script or in English. */
const meaningIn = ({ rules }: Page, inside: string, round: boolean): string | undefined =>
  (rules ? foreignMeaning(inside, round, rules) : undefined) ?? meaningOf(inside, round)

/** A line of its own in the language of the script: a transition, a label, a bracket. */
function foreignLine(text: string, rules: TidyRules): string | undefined {
  if (text.trim() === '' || OPENS_WITH_BRACKET.test(text)) return undefined
  if (rules.transition.test(text)) return ''
  const labelled = foreignLabel(text, rules)
  if (labelled !== undefined) return labelled
  const inside = (WHOLE_ITALIC.exec(text)?.[2] ?? WHOLE_ROUND.exec(text)?.[1]) || undefined
  return inside ? foreignMeaning(inside, false, rules) : undefined
}

function lineMeaning(text: string): string | undefined {
  if (text.trim() === '' || OPENS_WITH_BRACKET.test(text)) return undefined
  if (TRANSITION.test(text)) return ''
  const to = TRANSITION_TO.exec(text)?.[1]
  if (to) return picture(to)
  const slug = slugPicture(text)
  if (slug !== undefined) return slug
  const labelled = labelledMeaning(text)
  if (labelled !== undefined) return labelled
  const sized = SHOT_SIZE.exec(text)?.[1]
  if (sized) return picture(sized)
  if (BROLL_OF.test(text)) return meaningOf(text, false)
  const italic = WHOLE_ITALIC.exec(text)?.[2]
  if (italic) return meaningOf(italic, false)
  const bold = WHOLE_BOLD_SQUARE.exec(text)?.[1]
  if (bold) return namesPart(bold) ? undefined : meaningOf(bold, false)
  const round = WHOLE_ROUND.exec(text)?.[1]
  return round
    ? meaningOf(
        round,
        !/^(?:lights|curtain|the sound|sound|camera|cut|fade)/i.test(round) &&
          round.split(/\s+/).length > 3,
      )
    : undefined
}

/** "Camera: slow push in on the cracks": undefined for what has no label. */
function labelledMeaning(text: string): string | undefined {
  const [, label, rest] = LABELLED.exec(text) ?? []
  return label && rest && isLabel(text, label) ? labelMeaning(label, rest) : undefined
}

/** "INT. MILL HOUSE - DAY" as a picture; undefined for any other line. */
export function slugPicture(line: string): string | undefined {
  const [, place, time] = SLUG.exec(line) ?? []
  return (
    place &&
    picture(
      [place, time && !/LATER|CONTINUOUS/.test(time) ? time : '']
        .filter(Boolean)
        .join(', ')
        .toLowerCase(),
    )
  )
}

/** "Visual: …" is a label; "visual: …" in the midst of prose is not, nor is "Action - …". */
const isLabel = (text: string, label: string) =>
  /^[^\p{L}]*\p{Lu}/u.test(text) &&
  (/:/.test(
    text.slice(text.indexOf(label) + label.length, text.indexOf(label) + label.length + 24),
  ) ||
    /^b-?roll|sfx|visual/i.test(label))

/** What the camera goes to: "slow push in on the cracks". */
const FILMED =
  /\b(?:on|onto|over|across|along|to|towards|through|past)\s+((?:the|an?|his|her|its)\s.+)$/i

function labelMeaning(label: string, rest: string): string {
  const filmed = /^camera$/i.test(label) ? FILMED.exec(rest)?.[1] : undefined
  if (filmed) return picture(filmed)
  if (
    /^(camera|tone|delivery|transition|lighting|director|action|cue|pace|pacing|energy)$/i.test(
      label,
    )
  )
    return ''
  if (/^(music|sound|sfx|fx|ambien|bgm|background)/i.test(label))
    return /^(none|no music|fade out|fades out|stops?|out)\.?$/i.test(rest)
      ? ''
      : certain(
          meaningOf(
            `${/^(music|bgm|background)/i.test(label) ? 'music' : 'sound'}: ${rest}`,
            false,
          ),
        )
  if (/^(text|on|super|lower|title|caption|chyron)/i.test(label))
    return certain(meaningOf(`super: ${rest}`, false))
  return meaningOf(rest, false)?.startsWith('[picture')
    ? certain(meaningOf(rest, false)).replace(
        /^\[picture: .*/,
        picture(/^(?:drone|aerial|wide|close|time)/i.test(rest) ? rest : strippedOfCamera(rest)),
      )
    : picture(rest)
}

const strippedOfCamera = (rest: string) =>
  certain(meaningOf(rest, false)).slice('[picture: '.length, -1)

/** Square and curly brackets are hardly ever spoken; an editor's word inside a quotation is. */
function square(
  page: Page,
  { index: from, 0: whole, 1: marks = '', 2: inside = '', input }: RegExpExecArray,
) {
  const to = from + whole.length
  const text = inside.trim()
  if (/^\(?https?:/.test(text) || input.startsWith('(', to) || !/\p{L}{2}/u.test(text)) return
  const meaning = meaningIn(page, text, false) ?? labelledMeaning(text)
  if (meaning !== undefined) return void page.mark('direction', from, to, meaning)
  if (quoted(input, from) && /^\p{Ll}/u.test(text))
    return void page.claim(
      'punctuation',
      [
        { from, to: from + marks.length + 1, text: '' },
        { from: to - marks.length - 1, to, text: '' },
      ],
      { whole: { from, to } },
    )
  page.mark('direction', from, to, alone(input, from, to) ? picture(text) : '')
}

const alone = (view: string, from: number, to: number) =>
  /(^|\n)[^\S\n]*$/.test(view.slice(Math.max(0, from - 200), from)) &&
  /^[^\S\n]*(\n|$)/.test(view.slice(to, to + 200))

/** Whether an opening quotation mark of this paragraph is still open. */
function quoted(view: string, at: number): boolean {
  const before = view.slice(view.lastIndexOf('\n\n', at) + 1, at)
  const straight = before.match(/"/g)?.length ?? 0
  return straight % 2 === 1 || (before.match(/“/g)?.length ?? 0) > (before.match(/”/g)?.length ?? 0)
}

/** In a quotation that a sentence of the narration leads to: not narration that stands in quotes. */
function quotedWithin(view: string, at: number): boolean {
  if (!quoted(view, at)) return false
  const before = view.slice(view.lastIndexOf('\n', at) + 1, at)
  const opening = Math.max(before.lastIndexOf('"'), before.lastIndexOf('“'))
  return /\p{Ll}[\s,:]*$/u.test(before.slice(0, Math.max(0, opening)))
}
