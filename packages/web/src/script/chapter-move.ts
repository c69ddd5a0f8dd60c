import { certain, itemAt } from '@tidy-reel/core/faults/certain'
import type { ParsedScript } from '@tidy-reel/core/script/parse'

/**
 * The script with a chapter moved, heading and all, before another one; `before` past the last
 * moves it to the end.
 */
export function withChapterMoved(
  script: string,
  { chapters }: ParsedScript,
  chapter: number,
  before: number,
): string {
  const from = itemAt(chapters, chapter).source.from
  const to = chapters[chapter + 1]?.source.from ?? script.length
  const at = chapters[before]?.source.from ?? script.length
  const part = script.slice(from, to).trimEnd()
  const rest = script.slice(0, from) + script.slice(to)
  const place = at > from ? at - (to - from) : at
  const end = certain(/\s*$/.exec(script))[0]
  return (
    [rest.slice(0, place).trimEnd(), part, rest.slice(place).trim()].filter(Boolean).join('\n\n') +
    end
  )
}
