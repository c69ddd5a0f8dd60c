import { diff3Merge } from 'node-diff3'

/**
 * One script of two that were made from the same: line by line, where not both changed the same
 * lines.
 *
 * @returns undefined where both did
 */
export function mergeScripts(base: string, mine: string, theirs: string): string | undefined {
  const lines = (text: string) => text.split('\n')
  const merged = diff3Merge(lines(mine), lines(base), lines(theirs), {
    excludeFalseConflicts: true,
  })
  if (merged.some(({ conflict }) => conflict)) return undefined
  return merged.flatMap(({ ok }) => ok ?? []).join('\n')
}
