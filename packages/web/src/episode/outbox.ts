import { z } from 'zod'
import { Command } from '@tidy-reel/core/document/command'
import type { Document } from '@tidy-reel/core/document/document'
import { itemAt } from '@tidy-reel/core/faults/certain'
import { jsonAs } from '@tidy-reel/core/text/json'

/**
 * An edit's way to the server: what it answers, or why it said no. Sent twice under one key, an
 * edit is carried out once.
 */
export interface Post {
  (
    episodeId: string,
    revision: number,
    command: Command,
    key: string,
  ): Promise<{ revision: number; document: Document }>
}

/**
 * Edits of one episode that have not reached the server, oldest first, and the revision they were
 * made against.
 */
const Waiting = z.object({
  revision: z.number(),
  edits: z.array(z.object({ key: z.string(), command: Command })),
})
type Waiting = z.infer<typeof Waiting>

export type SaveState = 'saved' | 'saving' | 'offline'

export interface OutboxEvents {
  state(episodeId: string, state: SaveState): void
  /** An edit was taken; `left` more are waiting. */
  taken(episodeId: string, answer: { revision: number; document: Document }, left: number): void
  /** An edit was refused for good; those after it went with it. */
  refused(episodeId: string, cause: Error): void
}

export interface Outbox {
  /**
   * Hands an edit over; it is kept in `store` until the server has taken it, whatever happens to
   * the page.
   */
  add(episodeId: string, revision: number, command: Command): void
  waiting(episodeId: string): number
  /** Sends what is waiting, also what an earlier page left. */
  send(episodeId: string): Promise<void>
}

const KEY = 'tidy-reel outbox '
const newKey = () =>
  Array.from(crypto.getRandomValues(new Uint8Array(12)), (byte) =>
    byte.toString(16).padStart(2, '0'),
  ).join('')

/**
 * Keeps edits until the server has them: in memory and in the browser's storage, so that neither a
 * server that is away nor a closed page loses one. Edits of a script follow each other quickly; of
 * those that wait only the last is kept.
 *
 * @param refusal true when a server's answer is final and trying again would change nothing
 */
export function outbox(
  post: Post,
  store: Pick<Storage, 'getItem' | 'setItem' | 'removeItem'>,
  events: OutboxEvents,
  refusal: (cause: unknown) => boolean,
  retryMs = 1500,
): Outbox {
  const queues = new Map<string, Waiting>()
  const sending = new Set<string>()

  const queueOf = (id: string): Waiting => {
    const known = queues.get(id)
    if (known) return known
    const queue = jsonAs(store.getItem(KEY + id) ?? '', Waiting) ?? { revision: 0, edits: [] }
    queues.set(id, queue)
    return queue
  }
  const keep = (id: string) => {
    const queue = queueOf(id)
    try {
      if (queue.edits.length) store.setItem(KEY + id, JSON.stringify(queue))
      else store.removeItem(KEY + id)
    } catch {
      // The browser's storage is full or closed to us: the edits are still in memory and on their
      // way.
    }
  }
  async function send(id: string): Promise<void> {
    const queue = queueOf(id)
    if (sending.has(id) || !queue.edits.length) return
    sending.add(id)
    events.state(id, 'saving')
    try {
      while (queue.edits.length) {
        const { command, key } = itemAt(queue.edits, 0)
        const answer = await post(id, queue.revision, command, key)
        queue.edits.shift()
        queue.revision = answer.revision
        keep(id)
        events.taken(id, answer, queue.edits.length)
      }
      events.state(id, 'saved')
    } catch (cause) {
      if (refusal(cause)) {
        queue.edits.length = 0
        keep(id)
        events.state(id, 'saved')
        events.refused(id, cause as Error)
      } else {
        events.state(id, 'offline')
        setTimeout(() => void send(id), retryMs)
      }
    } finally {
      sending.delete(id)
    }
  }
  return {
    add(id, revision, command) {
      const queue = queueOf(id)
      if (!queue.edits.length) queue.revision = revision
      const replaceable =
        queue.edits.length > (sending.has(id) ? 1 : 0) &&
        queue.edits.at(-1)?.command.type === 'setScript'
      const edit = { key: newKey(), command }
      if (replaceable && command.type === 'setScript') queue.edits[queue.edits.length - 1] = edit
      else queue.edits.push(edit)
      keep(id)
      void send(id)
    },
    waiting: (id) => queueOf(id).edits.length,
    send,
  }
}
