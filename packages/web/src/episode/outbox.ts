import { z } from 'zod'
import { Command } from '@tidy-reel/core/document/command'
import type { Document } from '@tidy-reel/core/document/document'
import { itemAt } from '@tidy-reel/core/faults/certain'
import { jsonAs } from '@tidy-reel/core/text/json'
import { wellFormed } from '@tidy-reel/core/text/well-formed'

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

/** An edit that the server will not take, with its reason: its words are kept until let go. */
const SetAside = z.object({ key: z.string(), command: Command, reason: z.string() })
export type SetAside = z.infer<typeof SetAside>

/**
 * Edits of one episode that have not reached the server, oldest first, and the revision they were
 * made against.
 */
const Waiting = z.object({
  revision: z.number(),
  edits: z.array(z.object({ key: z.string(), command: Command })),
  aside: z.array(SetAside).default([]),
})
type Waiting = z.infer<typeof Waiting>

export type SaveState = 'saved' | 'saving' | 'offline'

/**
 * What a failure says of the edit that met it: it passes (the server is away), it is final (the
 * edit is refused), or it is odd (the server failed over it, and may do so for ever).
 */
export type Verdict = 'passes' | 'final' | 'odd'

export interface OutboxEvents {
  state(episodeId: string, state: SaveState): void
  /** An edit was taken; `left` more are waiting. */
  taken(episodeId: string, answer: { revision: number; document: Document }, left: number): void
  /** An edit was set aside; those after it go on. `left` more are waiting. */
  setAside(episodeId: string, edit: SetAside, left: number): void
}

export interface Outbox {
  /**
   * Hands an edit over; it is kept in `store` until the server has taken it, whatever happens to
   * the page.
   */
  add(episodeId: string, revision: number, command: Command): void
  waiting(episodeId: string): number
  /** What the server would not take, oldest first, until it is let go. */
  aside(episodeId: string): readonly SetAside[]
  letGo(episodeId: string, key: string): void
  /** Sends what is waiting, also what an earlier page left. */
  send(episodeId: string): Promise<void>
}

const KEY = 'tidy-reel outbox '
/** So often the server may fail over one edit before it is set aside, so that others can go on. */
const ODD_TRIES = 4
const newKey = () =>
  Array.from(crypto.getRandomValues(new Uint8Array(12)), (byte) =>
    byte.toString(16).padStart(2, '0'),
  ).join('')

/**
 * Keeps edits until the server has them: in memory and in the browser's storage, so that neither a
 * server that is away nor a closed page loses one. Edits of a script follow each other quickly; of
 * those that wait only the last is kept. One that is refused is set aside with its words; the
 * others go on.
 */
export function outbox(
  post: Post,
  store: Pick<Storage, 'getItem' | 'setItem' | 'removeItem'>,
  events: OutboxEvents,
  verdictOn: (cause: unknown) => Verdict,
  retryMs = 1500,
): Outbox {
  const queues = new Map<string, Waiting>()
  const sending = new Set<string>()
  let failed = { key: '', times: 0 }

  const queueOf = (id: string): Waiting => {
    const known = queues.get(id)
    if (known) return known
    const queue = jsonAs(store.getItem(KEY + id) ?? '', Waiting) ?? {
      revision: 0,
      edits: [],
      aside: [],
    }
    queues.set(id, queue)
    return queue
  }
  const keep = (id: string) => {
    const queue = queueOf(id)
    try {
      if (queue.edits.length || queue.aside.length) store.setItem(KEY + id, JSON.stringify(queue))
      else store.removeItem(KEY + id)
    } catch {
      // The browser's storage is full or closed to us: the edits are still in memory and on their
      // way.
    }
  }
  /** @returns whether the edit that met the failure is to be tried again */
  function passes(key: string, cause: unknown): boolean {
    const verdict = verdictOn(cause)
    if (verdict !== 'odd') return verdict === 'passes'
    failed = { key, times: failed.key === key ? failed.times + 1 : 1 }
    return failed.times < ODD_TRIES
  }
  function putAside(id: string, cause: unknown) {
    const queue = queueOf(id)
    const { key, command } = itemAt(queue.edits, 0)
    const edit = { key, command, reason: cause instanceof Error ? cause.message : String(cause) }
    queue.edits.shift()
    queue.aside.push(edit)
    keep(id)
    events.setAside(id, edit, queue.edits.length)
  }
  async function sendFirst(id: string) {
    const queue = queueOf(id)
    const { command, key } = itemAt(queue.edits, 0)
    const answer = await post(id, queue.revision, command, key)
    queue.edits.shift()
    queue.revision = answer.revision
    keep(id)
    events.taken(id, answer, queue.edits.length)
  }
  async function send(id: string): Promise<void> {
    const queue = queueOf(id)
    if (sending.has(id) || !queue.edits.length) return
    sending.add(id)
    events.state(id, 'saving')
    try {
      while (queue.edits.length) {
        const { key } = itemAt(queue.edits, 0)
        try {
          await sendFirst(id)
        } catch (cause) {
          if (passes(key, cause)) throw cause
          putAside(id, cause)
        }
      }
      events.state(id, 'saved')
    } catch {
      events.state(id, 'offline')
      setTimeout(() => void send(id), retryMs)
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
      const edit = { key: newKey(), command: wellFormed(command) }
      if (replaceable && command.type === 'setScript') queue.edits[queue.edits.length - 1] = edit
      else queue.edits.push(edit)
      keep(id)
      void send(id)
    },
    waiting: (id) => queueOf(id).edits.length,
    aside: (id) => [...queueOf(id).aside],
    letGo(id, key) {
      const queue = queueOf(id)
      queue.aside = queue.aside.filter((edit) => edit.key !== key)
      keep(id)
    },
    send,
  }
}
