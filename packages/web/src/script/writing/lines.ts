const LONGEST = 300

/** The lines of a field that have something in them, none longer than a point may be. */
export const lines = (text: string): string[] =>
  text
    .split('\n')
    .map((line) => line.trim().slice(0, LONGEST))
    .filter(Boolean)
