import type { Context, MiddlewareHandler } from 'hono'
import { z } from 'zod'
import { TidyError } from '@tidy-reel/core/faults/fault'

/** What the HTTP server hands on of a connection. */
const Connection = z.object({
  incoming: z.object({ socket: z.object({ remoteAddress: z.string() }) }),
})

/** The address of the other end; none where there is no connection, as in tests. */
function addressOf(c: Context): string {
  const read = Connection.safeParse(c.env)
  return read.success ? read.data.incoming.socket.remoteAddress : ''
}

/** So many places for each address; who leaves gives the place back. */
export function places(most: number) {
  const taken = new Map<string, number>()
  return {
    /**
     * @returns leaves the place, once
     * @throws TidyError `work_too_much` when all are taken
     */
    take(c: Context): () => void {
      const address = addressOf(c)
      const now = taken.get(address) ?? 0
      if (now >= most) throw new TidyError('work_too_much')
      taken.set(address, now + 1)
      let left = false
      return () => {
        if (left) return
        left = true
        const others = (taken.get(address) ?? 1) - 1
        if (others) taken.set(address, others)
        else taken.delete(address)
      }
    },
  }
}

/** Lets each address do something only so many times at once. */
export function atOnce(most: number): MiddlewareHandler {
  const room = places(most)
  return async (c, next) => {
    const leave = room.take(c)
    try {
      await next()
    } finally {
      leave()
    }
  }
}
