import { type ParsedScript, parseScript } from './parse.ts'

/**
 * Scripts parsed last: an edit asks for the script before and after it, the screen for both again.
 */
const KEPT = 4
const parsed = new Map<string, ParsedScript>()

/**
 * What `parseScript` makes of a script, found again when it was asked for lately. Not to be
 * changed.
 *
 * @returns no scenes for an empty script
 */
export function parsedScript(script: string): ParsedScript {
  const found = parsed.get(script) ?? parseScript(script)
  parsed.delete(script)
  parsed.set(script, found)
  if (parsed.size > KEPT) parsed.delete(parsed.keys().next().value!)
  return found
}
