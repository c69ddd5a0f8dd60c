import type { z } from 'zod'

/** The value a text writes as JSON; undefined for a text that writes none. */
export function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return undefined
  }
}

/**
 * A text from outside (a file, a socket, a process, a browser's storage) as what it should be.
 *
 * @returns undefined where the text is no JSON or something else
 * @example jsonAs('{"revision":3}', z.object({ revision: z.number() })) // => { revision: 3 }
 */
export function jsonAs<Schema extends z.ZodType>(
  text: string,
  schema: Schema,
): z.output<Schema> | undefined {
  const read = schema.safeParse(jsonOf(text))
  return read.success ? read.data : undefined
}
