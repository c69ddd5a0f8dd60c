/** The value a text writes as JSON; undefined for a text that writes none. */
export function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return undefined
  }
}
