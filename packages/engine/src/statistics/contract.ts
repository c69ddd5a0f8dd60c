import type { ChannelFilm } from '@tidy-reel/core/topics/channel-film'
import type { OfferedChannel } from '@tidy-reel/core/topics/topic-views'

/** What the engine needs of channel statistics. */
export interface ChannelStatistics {
  /** @throws TidyError `statistics_unreachable`, `statistics_answer_invalid` */
  channels(signal?: AbortSignal): Promise<OfferedChannel[]>
  /** All films of a channel; entries that do not read as films are passed over. */
  films(channelId: string, signal?: AbortSignal): Promise<ChannelFilm[]>
}
