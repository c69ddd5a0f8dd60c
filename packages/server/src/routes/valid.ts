import { zValidator } from '@hono/zod-validator'
import type { ValidationTargets } from 'hono'
import type { z } from 'zod'
import { TidyError } from '@tidy-reel/core/faults/fault'

/**
 * Reads a part of a request with a schema; what does not fit becomes `input_invalid` with the
 * fields at fault.
 */
export const valid = <S extends z.ZodType, T extends keyof ValidationTargets>(
  target: T,
  schema: S,
) =>
  zValidator(target, schema, (result) => {
    if (result.success) return
    const issues = result.error.issues
      .map((issue) => `${issue.path.join('.') || String(target)}: ${issue.message}`)
      .join('; ')
    throw new TidyError('input_invalid', { issues })
  })
