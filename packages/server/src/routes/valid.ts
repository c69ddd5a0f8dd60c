import { zValidator } from '@hono/zod-validator'
import type { ValidationTargets } from 'hono'
import type { z } from 'zod'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { illFormedAt } from '@tidy-reel/core/text/well-formed'

/** No store takes a NUL or half a surrogate pair; who sent it is told which field has it. */
function holdsOnlyCharacters(value: unknown, context: z.RefinementCtx) {
  const path = illFormedAt(value)
  if (path === undefined) return
  const message = 'holds what is no character (a NUL, or half of one)'
  context.addIssue({ code: 'custom', path: path ? path.split('.') : [], message })
}

/**
 * Reads a part of a request with a schema; what does not fit becomes `input_invalid` with the
 * fields at fault.
 */
export const valid = <S extends z.ZodType, T extends keyof ValidationTargets>(
  target: T,
  schema: S,
) =>
  zValidator(target, schema.superRefine(holdsOnlyCharacters), (result) => {
    if (result.success) return
    const issues = result.error.issues
      .map((issue) => `${issue.path.join('.') || String(target)}: ${issue.message}`)
      .join('; ')
    throw new TidyError('input_invalid', { issues })
  })
