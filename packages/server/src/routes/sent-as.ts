import type { Context, TypedResponse } from 'hono'
import type { JSONParsed } from 'hono/utils/types'
import type { SentView } from '../actions/kept-views.ts'

/** JSON that was packed beforehand; nothing but its name for who has it already (304). */
export function sentAs<View>(
  c: Context,
  { etag, json, gzip }: SentView,
): Response & TypedResponse<JSONParsed<View>> {
  const headers = { etag, 'cache-control': 'private, no-cache', vary: 'accept-encoding' }
  const answer = (body: string | Buffer | null, status: 200 | 304, more: Record<string, string>) =>
    new Response(body, { status, headers: { ...headers, ...more } }) as Response &
      TypedResponse<JSONParsed<View>>
  const type = { 'content-type': 'application/json' }
  if (c.req.header('if-none-match')?.includes(etag)) return answer(null, 304, {})
  return /\bgzip\b/.test(c.req.header('accept-encoding') ?? '')
    ? answer(gzip, 200, { ...type, 'content-encoding': 'gzip' })
    : answer(json, 200, type)
}
