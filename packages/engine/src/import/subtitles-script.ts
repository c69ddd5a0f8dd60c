import { certain, itemAt } from '@tidy-reel/core/faults/certain'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { pattern } from '@tidy-reel/core/text/pattern'
import { type ImportedScript, paragraphs } from './imported-script.ts'

const TIMES = pattern(
  '',
  String.raw`^\s*(?:(\d{1,2}):)?(\d{1,2}):(\d\d)[.,](\d{1,3})\s*-->\s*(?:(\d{1,2}):)?(\d{1,2})`,
  String.raw`:(\d\d)[.,](\d{1,3})`,
)
/** A silence this long begins a paragraph. */
const PARAGRAPH_SECONDS = 1.5

/** Subtitles (SRT, VTT) as a script: their words without times, one sentence after the other. */
export function subtitlesScript(text: string, name: string): ImportedScript {
  const parts: string[] = []
  let paragraph = ''
  let ended = 0
  let speakers = 0
  for (const block of text.replace(/\r\n?/g, '\n').split(/\n\s*\n/)) {
    const lines = block.split('\n')
    const at = lines.findIndex((line) => TIMES.test(line))
    if (at < 0) continue
    const [start, end] = secondsOf(certain(TIMES.exec(itemAt(lines, at))))
    const words = lines
      .slice(at + 1)
      .map((line) => spoken(line, () => speakers++))
      .filter(Boolean)
      .join(' ')
    if (!words) continue
    if (paragraph && start - ended > PARAGRAPH_SECONDS && /[.!?…]["”’)]?$/.test(paragraph)) {
      parts.push(paragraph)
      paragraph = ''
    }
    // Rolling subtitles say their last line again.
    if (!paragraph.endsWith(words)) paragraph = paragraph ? `${paragraph} ${words}` : words
    ended = end
  }
  parts.push(paragraph)
  const script = paragraphs(parts)
  if (!/\p{L}/u.test(script)) throw new TidyError('import_empty', { name })
  return {
    title: name,
    script,
    left: [
      'Left out: the times of the subtitles; the voice makes its own.',
      ...(speakers ? ['Left out: marks of who speaks.'] : []),
    ],
    pictures: [],
  }
}

function secondsOf(found: RegExpExecArray): [number, number] {
  const [, h1, m1, s1, f1, h2, m2, s2, f2] = found
  const time = (h = '0', m = '0', s = '0', f = '') =>
    Number(h) * 3600 + Number(m) * 60 + Number(s) + Number(f.padEnd(3, '0')) / 1000
  return [time(h1, m1, s1, f1), time(h2, m2, s2, f2)]
}

/** Without tags, positions and the hyphen of a change of speaker. */
function spoken(line: string, onSpeaker: () => void): string {
  const plain = line
    .replace(/<v\s+[^>]*>/g, () => (onSpeaker(), ''))
    .replace(/<[^>]*>|\{\\[^}]*\}/g, '')
    .trim()
  if (/^[-–]\s/.test(plain)) onSpeaker()
  return plain.replace(/^[-–]\s+/, '').replace(/\s+/g, ' ')
}
