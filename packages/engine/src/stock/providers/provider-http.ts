import { createWriteStream } from 'node:fs'
import { Readable, Transform } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { fetch, type RequestInit, type Response } from 'undici'
import { isFault, TidyError } from '@tidy-reel/core/faults/fault'
import { jsonOf } from '@tidy-reel/core/text/json'
import { publicAgent } from '../../import/public-address.ts'
import { withTimeLimit } from '../../run/time-limit.ts'

/** How long a provider may take. Painting a clip at full size can take a while. */
const PATIENCE = { searchMs: 8000, fileMs: 240_000 }
export type Patience = typeof PATIENCE
/** In bytes; a minute of 4K has about half of it. */
export const FILE_BYTES_LIMIT = 400 * 1024 * 1024
export const THUMBNAIL_BYTES_LIMIT = 2 * 1024 * 1024
/** Of a list of pictures, unpacked: what is sent compressed may be a thousand times as long. */
const ANSWER_BYTES_LIMIT = 8 * 1024 * 1024
const REDIRECTS_LIMIT = 4
/** The longest a provider that says "too quick" is waited for. */
const LONGEST_WAIT_MS = 2500

/**
 * The requests of a provider's client: bounded in time and size, and led nowhere but to the
 * provider or the public internet.
 */
export function providerHttp(address: string, patience: Partial<Patience> = {}) {
  const { searchMs, fileMs } = { ...PATIENCE, ...patience }
  const home = new URL(address).origin

  /** What the provider answers as JSON; undefined for anything that is none. */
  async function json(target: URL, init: RequestInit, signal?: AbortSignal): Promise<unknown> {
    return withTimeLimit(searchMs, signal, async (either) => {
      const read = async (): Promise<unknown> => {
        const answer = await fetch(target, { ...init, redirect: 'error', signal: either })
        if (answer.status === 429) {
          await answer.body?.cancel()
          await pause(
            Math.min(LONGEST_WAIT_MS, 1000 * (Number(answer.headers.get('retry-after')) || 1)),
            either,
          )
          return read()
        }
        const text = answer.ok ? await textOf(answer) : undefined
        return text === undefined ? undefined : jsonOf(text)
      }
      return read().catch(() => {
        throw signal?.aborted
          ? new TidyError('cancelled')
          : new TidyError('stock_unreachable', { address })
      })
    })
  }

  async function file(
    target: URL,
    title: string,
    limit: number,
    out: string,
    signal?: AbortSignal,
  ): Promise<void> {
    const unusable = (reason: string) => new TidyError('media_unusable', { title, reason })
    return withTimeLimit(fileMs, signal, async (either) => {
      const answer = await follow(target, either, unusable).catch((cause: unknown) => {
        if (isFault(cause)) throw cause
        throw signal?.aborted
          ? new TidyError('cancelled')
          : new TidyError('stock_unreachable', { address })
      })
      if (!answer.ok || !answer.body) throw unusable(`the library answered ${answer.status}`)
      if (Number(answer.headers.get('content-length')) > limit) {
        await answer.body.cancel()
        throw unusable('its file is too large')
      }
      let bytes = 0
      const counted = new Transform({
        transform(chunk: Buffer, _encoding, done) {
          bytes += chunk.length
          done(bytes > limit ? unusable('its file is too large') : null, chunk)
        },
      })
      try {
        await pipeline(Readable.fromWeb(answer.body), counted, createWriteStream(out), {
          signal: either,
        })
      } catch (cause) {
        if (signal?.aborted) throw new TidyError('cancelled')
        if (isFault(cause) || (cause as NodeJS.ErrnoException).code === 'ENOSPC') throw cause
        throw unusable(
          either.aborted ? 'its file did not come to an end' : 'its file broke off half-way',
        )
      }
    })
  }

  async function follow(
    target: URL,
    signal: AbortSignal,
    unusable: (reason: string) => TidyError,
  ): Promise<Response> {
    let url = target
    for (let hops = 0; hops <= REDIRECTS_LIMIT; hops++) {
      const answer =
        url.origin === home
          ? await fetch(url, { redirect: 'manual', signal })
          : await abroad(url, signal, unusable)
      const next = answer.headers.get('location')
      if (answer.status < 300 || answer.status >= 400 || !next) return answer
      await answer.body?.cancel()
      url = new URL(next, url)
    }
    throw unusable('it leads from one address to the next without an end')
  }

  return { json, file, url: (path: string) => new URL(path, address) }
}

/**
 * A file that lies elsewhere, as large libraries have it, is fetched from public addresses alone.
 */
async function abroad(
  url: URL,
  signal: AbortSignal,
  unusable: (reason: string) => TidyError,
): Promise<Response> {
  const dispatcher = await publicAgent(url).catch(() => undefined)
  if (!dispatcher) throw unusable('the library sends us into a private network for it')
  return fetch(url, { redirect: 'manual', signal, dispatcher })
}

async function textOf(answer: Response): Promise<string | undefined> {
  const chunks: Uint8Array[] = []
  let size = 0
  for await (const chunk of answer.body ?? []) {
    size += (chunk as Uint8Array).length
    if (size > ANSWER_BYTES_LIMIT) return undefined
    chunks.push(chunk as Uint8Array)
  }
  return Buffer.concat(chunks).toString('utf8')
}

function pause(ms: number, signal: AbortSignal): Promise<void> {
  return new Promise((resolve, reject) => {
    const timer = setTimeout(resolve, ms)
    signal.addEventListener(
      'abort',
      () => {
        clearTimeout(timer)
        reject(signal.reason as Error)
      },
      { once: true },
    )
  })
}
