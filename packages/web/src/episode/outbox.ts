import type { Command } from '@tidy-reel/core/document/command'
import type { Document } from '@tidy-reel/core/document/document'

/** An edit's way to the server: what it answers, or why it said no. */
export interface Post {
  (episodeId: string, revision: number, command: Command): Promise<{ revision: number; document: Document }>
}

/** Edits of one episode that have not reached the server, oldest first, and the revision they were made against. */
interface Waiting {
  revision: number
  commands: Command[]
}

export type SaveState = 'saved' | 'saving' | 'offline'

export interface OutboxEvents {
  state(episodeId: string, state: SaveState): void
  /** An edit was taken; `left` more are waiting. */
  taken(episodeId: string, answer: { revision: number; document: Document }, left: number): void
  /** An edit was refused for good; those after it went with it. */
  refused(episodeId: string, cause: Error): void
}

export interface Outbox {
  /** Hands an edit over; it is kept in `store` until the server has taken it, whatever happens to the page. */
  add(episodeId: string, revision: number, command: Command): void
  waiting(episodeId: string): readonly Command[]
  /** Sends what is waiting, also what an earlier page left. */
  send(episodeId: string): Promise<void>
}

const KEY = 'tidy-reel outbox '

/**
 * Keeps edits until the server has them: in memory and in the browser's storage, so that neither a server
 * that is away nor a closed page loses one. Edits of a script follow each other quickly; of those that wait only the last is kept.
 *
 * @param refusal true when a server's answer is final and trying again would change nothing
 */
export function outbox(post: Post, store: Pick<Storage, 'getItem' | 'setItem' | 'removeItem'>, events: OutboxEvents, refusal: (cause: unknown) => boolean, retryMs = 1500): Outbox {
  const queues = new Map<string, Waiting>()
  const sending = new Set<string>()

  const queueOf = (id: string): Waiting => {
    const known = queues.get(id)
    if (known) return known
    const kept = JSON.parse(store.getItem(KEY + id) ?? 'null') as Waiting | null
    const queue = kept ?? { revision: 0, commands: [] }
    queues.set(id, queue)
    return queue
  }
  const keep = (id: string) => {
    const queue = queueOf(id)
    try {
      if (queue.commands.length) store.setItem(KEY + id, JSON.stringify(queue))
      else store.removeItem(KEY + id)
    } catch {
      // The browser's storage is full or closed to us: the edits are still in memory and on their way.
    }
  }
  async function send(id: string): Promise<void> {
    const queue = queueOf(id)
    if (sending.has(id) || !queue.commands.length) return
    sending.add(id)
    events.state(id, 'saving')
    try {
      while (queue.commands.length) {
        const answer = await post(id, queue.revision, queue.commands[0]!)
        queue.commands.shift()
        queue.revision = answer.revision
        keep(id)
        events.taken(id, answer, queue.commands.length)
      }
      events.state(id, 'saved')
    } catch (cause) {
      if (refusal(cause)) {
        queue.commands.length = 0
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
      if (!queue.commands.length) queue.revision = revision
      const replaceable = queue.commands.length > (sending.has(id) ? 1 : 0) && queue.commands.at(-1)?.type === 'setScript'
      if (replaceable && command.type === 'setScript') queue.commands[queue.commands.length - 1] = command
      else queue.commands.push(command)
      keep(id)
      void send(id)
    },
    waiting: (id) => queueOf(id).commands,
    send,
  }
}
