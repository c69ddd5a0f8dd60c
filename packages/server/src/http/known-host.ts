import type { MiddlewareHandler } from 'hono'
import { TidyError } from '@tidy-reel/core/faults/fault'

/** Names of this machine to itself (RFC 6761, RFC 4291). */
export const LOOPBACK: ReadonlySet<string> = new Set(['localhost', '127.0.0.1', '[::1]', '::1'])

/**
 * Answers under its own names alone. A page elsewhere may let its own name point to this machine a
 * moment later (DNS rebinding): the browser then sends that name as Host, and its origin is the same.
 *
 * @param names further names it may be called by
 */
export function knownHost(names: readonly string[] = []): MiddlewareHandler {
  const known = new Set([...LOOPBACK, ...names])
  return async (c, next) => {
    if (!known.has(hostName(c.req.header('host') ?? ''))) throw new TidyError('host_refused')
    await next()
  }
}

/** Without its port. */
const hostName = (host: string) => host.toLowerCase().replace(/:\d+$/, '')
