/** Characters of texts that are kept, as a rule: several of the longest scripts. */
export const KEPT_CHARACTERS = 2_000_000

/**
 * What was worked out for a text, kept for the next time; the oldest go when all texts together
 * have more characters than `most`.
 */
export function keptByText<Value>(most: number, make: (text: string) => Value) {
  const kept = new Map<string, Value>()
  let characters = 0
  return (text: string): Value => {
    const known = kept.get(text)
    if (known !== undefined) return known
    const made = make(text)
    kept.set(text, made)
    characters += text.length
    for (const oldest of kept.keys()) {
      if (characters <= most || kept.size === 1) break
      kept.delete(oldest)
      characters -= oldest.length
    }
    return made
  }
}
