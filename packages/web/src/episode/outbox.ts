import { z } from 'zod'
import { Command } from '@tidy-reel/core/document/command'
import type { Document } from '@tidy-reel/core/document/document'
import { itemAt } from '@tidy-reel/core/faults/certain'
import { jsonAs } from '@tidy-reel/core/text/json'
import { wellFormed } from '@tidy-reel/core/text/well-formed'
import type { TabStore } from './tab-store.ts'

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
   * Hands an edit over; it is kept in `kept` until the server has taken it, whatever happens to
   * the page.
   */
  add(episodeId: string, revision: number, command: Command): void
  waiting(episodeId: string): number
  /** What the server would not take, oldest first, until it is let go. */
  aside(episodeId: string): readonly SetAside[]
  letGo(episodeId: string, key: string): void
  /** Sends what is waiting, also what an earlier page left, once that is gone. */
  send(episodeId: string): Promise<void>
}

const nameOf = (episodeId: string) => `outbox ${episodeId}`
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
  kept: TabStore,
  events: OutboxEvents,
  verdictOn: (cause: unknown) => Verdict,
  retryMs = 1500,
): Outbox {
  const queues = new Map<string, Waiting>()
  const sending = new Set<string>()
  /** Keys of edits that were sent, whatever came of it: the server may have them. */
  const tried = new Set<string>()
  let failed = { key: '', times: 0 }

  const queueOf = (id: string): Waiting => {
    const known = queues.get(id)
    if (known) return known
    const queue: Waiting = { revision: 0, edits: [], aside: [] }
    queues.set(id, queue)
    kept.left(nameOf(id), (value) => {
      takeUp(id, jsonAs(value, Waiting))
      return true
    })
    return queue
  }
  /** What another page did not come to send. Each edit names what it was made on. */
  function takeUp(id: string, left: Waiting | undefined) {
    if (!left) return
    const queue = queueOf(id)
    if (!queue.edits.length) queue.revision = left.revision
    queue.edits.push(...left.edits)
    for (const { key } of left.edits) tried.add(key)
    queue.aside.push(...left.aside)
    keep(id)
    if (queue.edits.length) void send(id)
    else events.state(id, 'saved')
  }
  const keep = (id: string) => {
    const queue = queueOf(id)
    if (queue.edits.length || queue.aside.length) kept.set(nameOf(id), JSON.stringify(queue))
    else kept.remove(nameOf(id))
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
    tried.delete(key)
    queue.aside.push(edit)
    keep(id)
    events.setAside(id, edit, queue.edits.length)
  }
  async function sendFirst(id: string) {
    const queue = queueOf(id)
    const { command, key } = itemAt(queue.edits, 0)
    tried.add(key)
    const answer = await post(id, queue.revision, command, key)
    queue.edits.shift()
    tried.delete(key)
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
      const edit = { key: newKey(), command: wellFormed(command) }
      const last = queue.edits.at(-1)
      const joined = last && !tried.has(last.key) ? asOne(last.command, edit.command) : undefined
      if (joined) queue.edits[queue.edits.length - 1] = { ...edit, command: joined }
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

/** Of two scripts of which the second was written on the first, one; undefined for all else. */
function asOne(first: Command, second: Command): Command | undefined {
  if (first.type !== 'setScript' || second.type !== 'setScript') return undefined
  if (second.base === undefined || second.base !== first.script) return undefined
  const { base: _base, ...rest } = second
  return first.base === undefined ? rest : { ...rest, base: first.base }
}
