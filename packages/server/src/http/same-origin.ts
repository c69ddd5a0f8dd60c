import type { Context, Next } from 'hono'
import { TidyError } from '@tidy-reel/core/faults/fault'

const READING = new Set(['GET', 'HEAD'])

/** A change must come from our own page: another site's form or script carries another origin. */
export async function sameOrigin(c: Context, next: Next) {
  const origin = c.req.header('origin')
  const fromElsewhere =
    origin !== undefined && hostOf(origin) !== c.req.header('host')?.toLowerCase()
  if (!READING.has(c.req.method) && fromElsewhere) throw new TidyError('origin_refused')
  await next()
}

/** Undefined for the origin `null` of a sandboxed page and for anything else that is no address. */
const hostOf = (origin: string) => (URL.canParse(origin) ? new URL(origin).host : undefined)
