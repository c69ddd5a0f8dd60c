import { readFile, stat, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import PQueue from 'p-queue'
import { z } from 'zod'
import { isFault, TidyError } from '@tidy-reel/core/faults/fault'
import { isOurs, Item } from '@tidy-reel/core/pictures/item'
import { jsonOf } from '@tidy-reel/core/text/json'
import { contentHash, replacedFile } from '../storage/kept-file.ts'
import { removeOlder } from '../storage/old-files.ts'
import type { PictureLibrary, PictureProvider, StockQuery } from './contract.ts'

/** One of the places pictures come from. */
export interface Source {
  /**
   * Stands before the ids of its items, with a dot; empty for the one whose ids are as they come.
   */
  key: string
  /** What it is called, or its address. */
  name: string
  provider: PictureProvider
  /** How often it may be asked, at most. */
  perSecond: number
}

/** Requests under way at once, to one source. */
const AT_ONCE = 6
/**
 * A source that did not answer, or took longer than `slowMs` so many times running, is left alone
 * for so long.
 */
const PATIENCE = { awayMs: 15_000, slowMs: 4000, slowTimes: 3 }
/** Answers are kept so long: libraries change by the day. */
const KEPT_MS = 24 * 3600_000
/** When old answers were last cleared away, by folder. */
const cleared = new Map<string, number>()

const Answers = z.array(Item)

/**
 * All sources asked at once, each at the pace it bears and its answers kept. One that is slow or
 * dead costs its own pictures and nothing else.
 *
 * @param kept folder of answers kept from before; none: nothing is kept
 */
export function manySources(
  sources: readonly Source[],
  kept?: string,
  patience: Partial<typeof PATIENCE> = {},
): PictureLibrary {
  if (kept && Date.now() - (cleared.get(kept) ?? 0) > KEPT_MS) {
    cleared.set(kept, Date.now())
    void removeOlder(kept, KEPT_MS)
  }
  const asked = sources.map((source) => ({
    ...source,
    ask: asking(source, kept, { ...PATIENCE, ...patience }),
  }))
  const of = (id: string) => {
    const source =
      sources.find(({ key }) => key && id.startsWith(`${key}.`)) ?? sources.find(({ key }) => !key)
    if (!source)
      throw new TidyError('media_unusable', {
        title: id,
        reason: 'the library it came from is not there any more',
      })
    return { provider: source.provider, inner: source.key ? id.slice(source.key.length + 1) : id }
  }
  return {
    async search(query, signal) {
      const found = await Promise.all(
        asked.map(({ ask }) =>
          ask(query, signal).then(
            (items) => ({ items, fault: undefined }),
            (cause: unknown) => {
              if (signal?.aborted) throw new TidyError('cancelled')
              if (!isFault(cause)) throw cause
              return { items: [], fault: cause }
            },
          ),
        ),
      )
      return {
        items: found.flatMap(({ items }) => items),
        faults: found.flatMap(({ fault }) => fault ?? []),
      }
    },
    async download(item, height, out, signal) {
      const { provider, inner } = of(item.id)
      await provider.download({ ...item, id: inner }, height, out, signal)
    },
    async thumbnail(id, out, signal) {
      const { provider, inner } = of(id)
      await provider.thumbnail(inner, out, signal)
    },
  }
}

type Ask = (query: StockQuery, signal?: AbortSignal) => Promise<Item[]>

function asking(
  { key, name, provider, perSecond }: Source,
  kept: string | undefined,
  { awayMs, slowMs, slowTimes }: typeof PATIENCE,
): Ask {
  const named = (item: Item): Item => (key ? { ...item, id: `${key}.${item.id}` } : item)
  // A tenth of a second is short enough that a first search waits for nothing, and long enough to
  // be counted in.
  const queue = new PQueue({
    concurrency: AT_ONCE,
    interval: 100,
    intervalCap: Math.max(1, Math.round(perSecond / 10)),
    carryoverConcurrencyCount: true,
  })
  let away: { until: number; fault: TidyError } | undefined
  let slow = 0
  const leave = (fault: TidyError) => (away = { until: Date.now() + awayMs, fault })
  const fresh: Ask = async (query, signal) => {
    signal?.throwIfAborted()
    if (away && Date.now() < away.until) throw away.fault
    const began = Date.now()
    try {
      // Ids of files on this machine: no library from outside may hand them out.
      return (await provider.search(query, signal)).filter(({ id }) => !isOurs(id)).map(named)
    } catch (cause) {
      if (isFault(cause) && cause.code === 'stock_unreachable') leave(cause)
      throw cause
    } finally {
      slow = Date.now() - began > slowMs ? slow + 1 : 0
      if (slow >= slowTimes) leave(new TidyError('stock_slow', { name }))
    }
  }
  return async (query, signal) => {
    const file = kept && join(kept, `${contentHash({ key, name, query })}.json`)
    const before = file && (await keptAnswer(file))
    if (before) return before
    const items = (await queue.add(() => fresh(query, signal)))!
    // An answer that cannot be kept is an answer all the same.
    if (file)
      await replacedFile(file, (half) => writeFile(half, JSON.stringify(items))).catch(
        () => undefined,
      )
    return items
  }
}

async function keptAnswer(file: string): Promise<Item[] | undefined> {
  const facts = await stat(file).catch(() => undefined)
  if (!facts || Date.now() - facts.mtimeMs > KEPT_MS) return undefined
  const read = Answers.safeParse(jsonOf(await readFile(file, 'utf8').catch(() => '')))
  return read.success ? read.data : undefined
}
