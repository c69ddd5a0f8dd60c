import { mergeTexts } from '../text/merge-texts.ts'
import { changesBetween, placeAfter, type TextChange } from '../text/text-changes.ts'
import type { TextRange } from '../text/text-range.ts'
import type { Conflict, Document } from './document.ts'

/**
 * Conflicts at their places in a changed script. One lapses when a version of it was taken out, or
 * words across its edge were changed: a person has settled it by hand.
 */
export function carriedConflicts(
  conflicts: readonly Conflict[],
  before: string,
  after: string,
): Conflict[] {
  if (!conflicts.length) return []
  const changes = changesBetween(before, after)
  return conflicts.flatMap(({ id, first, second }) => {
    const [one, other] = [carried(first, changes), carried(second, changes)]
    return one && other ? [{ id, first: one, second: other }] : []
  })
}

function carried({ from, to }: TextRange, changes: readonly TextChange[]): TextRange | undefined {
  const crossed = changes.some(
    (change) =>
      change.from < change.to &&
      ((change.from < from && from < change.to) || (change.from < to && to < change.to)),
  )
  if (crossed) return undefined
  const wasEmpty = from === to
  const stretch = {
    from: placeAfter(changes, from, -1),
    to: placeAfter(changes, to, wasEmpty ? -1 : 1),
  }
  return stretch.from === stretch.to && !wasEmpty ? undefined : stretch
}

/**
 * A script written on an earlier one, put onto the one that is there now. Words that both changed
 * stand there twice, as a conflict of the document.
 *
 * @returns the script, and the conflicts with their places in it
 */
export function scriptMergedOnto(
  { script, conflicts, nextId }: Pick<Document, 'script' | 'conflicts' | 'nextId'>,
  base: string,
  written: string,
): Pick<Document, 'script' | 'conflicts' | 'nextId'> {
  const merged = mergeTexts(base, written, script)
  const added = merged.conflicts.map(({ theirs, mine }, n): Conflict => ({
    id: `c${nextId + n}`,
    first: theirs,
    second: mine,
  }))
  return {
    script: merged.text,
    conflicts: [...carriedConflicts(conflicts, script, merged.text), ...added],
    nextId: nextId + added.length,
  }
}

/**
 * A document in which one scene has been edited, with what stands there twice marked.
 *
 * @param versions texts that stand in the scene one after the other; one may be empty
 */
export function withVersionsMarked(
  document: Document,
  before: Document,
  versions: readonly { theirs: string; mine: string }[],
): Document {
  if (!versions.length) return document
  let { nextId } = document
  const marked = versions.flatMap(({ theirs, mine }): Conflict[] => {
    const from = document.script.indexOf([theirs, mine].filter(Boolean).join(' '))
    if (from < 0) return []
    const to = from + theirs.length
    const next = theirs && mine ? to + 1 : to
    return [
      {
        id: `c${nextId++}`,
        first: { from, to },
        second: { from: next, to: next + mine.length },
      },
    ]
  })
  const carried = carriedConflicts(before.conflicts, before.script, document.script)
  return { ...document, conflicts: [...carried, ...marked], nextId }
}

/** The script with one version of a conflict taken out, or with both left to stand. */
export function scriptSettled(
  script: string,
  { first, second }: Conflict,
  keep: 'first' | 'second' | 'both',
): string {
  if (keep === 'both') return script
  const out = keep === 'first' ? second : first
  if (out.from === out.to) return script
  const [before, after] = [script.slice(0, out.from), script.slice(out.to)]
  // The space that parted it from what stays goes with it; a paragraph's edge stays.
  const opensParagraph = before === '' || /\n[ \t]*\n$/.test(before)
  if (opensParagraph || (out === first && after.startsWith('\n')))
    return before + after.replace(/^[ \t]*\n?/, '')
  return before.replace(/[ \t]*\n?[ \t]*$/, '') + after
}
