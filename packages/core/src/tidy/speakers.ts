import { itemAt } from '../faults/certain.ts'
import { wordList } from '../text/pattern.ts'
import type { Line, Page } from './page.ts'

const ROLE =
  String.raw`co-?host(?:\s?\d)?|host(?:\s?\d)?|narrator|narration|voice(?:[ -]?over)?(?:\s(?:\d|` +
  String.raw`artist))?|v\.?o\.?|announcer|presenter|anchor|speaker\s(?:\d+|[A-Z])|` +
  String.raw`person\s(?:\d+|[A-Z])|interviewer|interviewee|guest|reporter|moderator|audio|` +
  'dialogue|spoken|script'
const NAME = String.raw`\p{Lu}[\p{L}'’.-]*(?:[ ]\p{Lu}[\p{L}'’.-]*){0,2}`
const ASIDE = String.raw`\s*(?:\([^()\n]{1,40}\)|\[[^[\]\n]{1,40}\])`
const OPEN = String.raw`^(\s*)(?:\*\*|__|\*)?\[?`
/**
 * "**Narrator (softly):** …", "[HOST]: …", "ANNA: …": the label with its colon, inside or outside
 * of bold.
 */
const roleLabelOf = (role: string) =>
  new RegExp(
    String.raw`${OPEN}(${role})\]?(?:${ASIDE})*\]?(?:\*\*|__|\*)?\s*:\s?(?:\*\*|__|\*)?\s*`,
    'iu',
  )
const NAME_LABEL = new RegExp(
  String.raw`${OPEN}(${NAME})\]?(?:${ASIDE})*\]?(?:\*\*|__|\*)?\s*:\s?(?:\*\*|__|\*)?(?:\s+|$)`,
  'u',
)
/** A label on a line of its own, as in a screenplay. */
const cueOf = (role: string) =>
  new RegExp(
    String.raw`^(\s*)(?:\*\*)?(${role}|\p{Lu}[\p{Lu}'. -]{1,30}?)(?:\*\*)?\s*(?:\((?:v\.?\s?o\.?|` +
      String.raw`o\.?\s?s\.?|o\.?\s?c\.?|cont(?:'|’)?d|voice-?over|` +
      String.raw`off)[^()]*\)\s*)*(?:\*\*)?\s*:?\s*$`,
    'iu',
  )
/** What labels look like in a script, by what its roles are called. */
interface Roles {
  label: RegExp
  cue: RegExp
  role: RegExp
}
const rolesOf = (role: string): Roles => ({
  label: roleLabelOf(role),
  cue: cueOf(role),
  role: new RegExp(`^(?:${role})$`, 'iu'),
})
const ENGLISH = rolesOf(ROLE)
const OFF_SCREEN = /\((?:v\.?\s?o\.?|o\.?\s?s\.?|cont(?:'|’)?d)/i
/** Words before a colon that are no names. */
const NO_NAME = new Set(
  wordList(`
    note remember warning answer question result conclusion problem solution step fact
    example tip rule reason summary first second third visual music sound camera text title
    today tomorrow now here so and but yes no well imagine think look listen picture monday
    tuesday wednesday thursday friday saturday sunday january february march april may june
    july august september october november december source sources update bonus part chapter
    section intro outro number scene shot super pause caption graphic video image photo
    footage
  `),
)

/** Share of lines with a name before them that makes a text a conversation. */
const TALK = 0.8

interface Label {
  line: Line
  voice: string
  /** `[from, to)` of the label in its line. */
  from: number
  to: number
  role: boolean
  cue: boolean
}

/**
 * Labels of who speaks. One voice alone needs none; where two or more take turns they are kept as
 * `NAME:` in front of a paragraph of their own.
 *
 * @returns nothing: what is found is claimed on the page, which may be none of it
 */
export function findSpeakers(page: Page) {
  const { rules } = page
  const roles = rules ? rolesOf(`${ROLE}|${rules.words.roles}`) : ENGLISH
  const labels = labelsOf(page.lines, roles)
  const voices = new Set(labels.map(({ voice }) => voice))
  const alone = voices.size === 1
  labels.forEach((label) => {
    const { line, voice, from, to } = label
    if (alone && label.role) return page.drop('speaker', line.from + from, line.from + to)
    if (alone) return
    const follows = precededByText(page, line)
    const name = `${follows ? '\n' : ''}${voice}: `
    const written = page.script.slice(line.from + from, line.from + to)
    if (written === `${voice}: ` || (written === `${voice}:` && to === line.text.length)) return
    page.claim('speaker', [{ from: line.from + from, to: line.from + to, text: name }])
  })
}

const precededByText = (page: Page, line: Line) =>
  line.from > 0 && !/\n\s*\n\s*$/.test(page.script.slice(0, line.from))

function labelsOf(lines: readonly Line[], named: Roles): Label[] {
  const roles = lines.flatMap(
    (line, i) => roleLabel(line, named) ?? cueLabel(lines, i, named) ?? [],
  )
  const speakers = namesOf(lines)
  const taken = new Set(roles.map(({ line }) => line))
  const names = lines.flatMap((line) => {
    const found = taken.has(line) ? undefined : nameLabel(line)
    return found && speakers.has(found.voice) ? [found] : []
  })
  return [...roles, ...names].sort((a, b) => a.line.from - b.line.from)
}

function roleLabel(line: Line, { label }: Roles): Label[] | undefined {
  const found = label.exec(line.text)
  // "host: " in lower case inside prose is a word.
  if (!found || !/\p{Lu}/u.test(itemAt(found, 2))) return undefined
  return [labelAt(line, found, true)]
}

function cueLabel(
  lines: readonly Line[],
  i: number,
  { cue, role: named }: Roles,
): Label[] | undefined {
  const line = itemAt(lines, i)
  const found = cue.exec(line.text)
  const next = lines[i + 1]
  if (!found || !next || next.text.trim() === '' || found[2] !== itemAt(found, 2).toUpperCase())
    return undefined
  const role = named.test(found[2])
  if (!role && !OFF_SCREEN.test(line.text)) return undefined
  // The line break goes with the label: its words move up.
  return [{ ...labelAt({ ...line }, found, role), line, to: line.text.length + 1, cue: true }]
}

function nameLabel(line: Line): Label | undefined {
  const found = NAME_LABEL.exec(line.text)
  if (!found || NO_NAME.has(itemAt(itemAt(found, 2).toLowerCase().split(' '), 0))) return undefined
  return labelAt(line, found, false)
}

const labelAt = (line: Line, found: RegExpExecArray, role: boolean): Label => ({
  line,
  voice: voiceOf(itemAt(found, 2)),
  from: itemAt(found, 1).length,
  to: found[0].length,
  role,
  cue: false,
})

/** As the script's markup writes it: capitals, no stops inside abbreviations. */
const voiceOf = (label: string) =>
  /^v\.?o\.?$|^voice/i.test(label) ? 'NARRATOR' : label.toUpperCase().replace(/\s+/g, ' ').trim()

/** Names that open lines so often, or in such company, that they must be speakers. */
function namesOf(lines: readonly Line[]): Set<string> {
  const counts = new Map<string, { times: number; capitals: boolean }>()
  for (const line of lines) {
    const found = nameLabel(line)
    if (!found) continue
    const written = line.text.slice(found.from, found.to).replace(/[^\p{L}]/gu, '')
    const before = counts.get(found.voice)
    counts.set(found.voice, {
      times: (before?.times ?? 0) + 1,
      capitals: written === written.toUpperCase(),
    })
  }
  const speakers = [...counts].filter(([, { times, capitals }]) => times > 1 || capitals)
  const inAll = speakers.reduce((sum, [, { times }]) => sum + times, 0)
  // Where nearly every line has a name before it, who speaks once is a speaker as well.
  const worded = lines.filter(({ text }) => text.trim() !== '').length
  const everywhere =
    [...counts.values()].reduce((sum, { times }) => sum + times, 0) >= worded * TALK
  return new Set(
    inAll > 2 || (everywhere && counts.size > 1 && worded > 2)
      ? (everywhere ? [...counts] : speakers).map(([voice]) => voice)
      : [],
  )
}
