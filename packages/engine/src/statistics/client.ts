import { z } from 'zod'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { ChannelFilm, FILMS_LIMIT } from '@tidy-reel/core/topics/channel-film'
import { OfferedChannel } from '@tidy-reel/core/topics/topic-views'
import { withTimeLimit } from '../run/time-limit.ts'
import type { ChannelStatistics } from './contract.ts'

/** A service of numbers that needs longer is down. */
const PATIENCE_MS = 10_000
const PER_PAGE = 100
const Channels = z.object({ channels: z.array(OfferedChannel).max(1000) })
const Page = z.object({ total: z.number().int().min(0), films: z.array(z.unknown()).max(PER_PAGE) })

/** Channel statistics behind the HTTP interface that `standins/statistics` describes. */
export function statisticsClient(address: string, patienceMs = PATIENCE_MS): ChannelStatistics {
  const ask = <T>(path: string, schema: z.ZodType<T>, signal?: AbortSignal) =>
    withTimeLimit(patienceMs, signal, async (either) => {
      const answer = await fetch(new URL(path, address), {
        redirect: 'error',
        signal: either,
      }).catch(() => {
        throw signal?.aborted
          ? new TidyError('cancelled')
          : new TidyError('statistics_unreachable', { address })
      })
      const read = schema.safeParse(
        answer.ok ? await answer.json().catch(() => undefined) : undefined,
      )
      if (signal?.aborted) throw new TidyError('cancelled')
      if (!read.success) throw new TidyError('statistics_answer_invalid', { address })
      return read.data
    })
  return {
    channels: async (signal) => (await ask('/v1/channels', Channels, signal)).channels,
    async films(channelId, signal) {
      const films: ChannelFilm[] = []
      for (let page = 1; page <= FILMS_LIMIT / PER_PAGE; page++) {
        const { total, films: entries } = await ask(
          `/v1/channels/${encodeURIComponent(channelId)}/films?page=${page}&per_page=${PER_PAGE}`,
          Page,
          signal,
        )
        films.push(...entries.flatMap((entry) => ChannelFilm.safeParse(entry).data ?? []))
        if (entries.length === 0 || page * PER_PAGE >= total) break
      }
      return films
    },
  }
}
