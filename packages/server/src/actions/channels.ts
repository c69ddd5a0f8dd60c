import { randomUUID } from 'node:crypto'
import type { Pronunciation } from '@tidy-reel/core/text/pronunciation'
import type { ChannelView } from '@tidy-reel/core/views/checks'
import { Channel } from '../db/models.ts'

const viewOf = ({ id, name, words, pronunciations, favouriteVoices }: Channel): ChannelView => ({
  id,
  name,
  words,
  pronunciations,
  favouriteVoices,
})

/** The owner's channels; there is always one. */
export function channelActions(ownerId: string) {
  const first = async () =>
    (await Channel.findOne({ where: { ownerId } })) ??
    (await Channel.create({ id: randomUUID(), ownerId, name: 'My channel', words: [] }))
  return {
    first,
    async view(): Promise<ChannelView> {
      return viewOf(await first())
    },
    async addWord(word: string): Promise<ChannelView> {
      const channel = await first()
      if (!channel.words.includes(word))
        await channel.update({ words: [...channel.words, word].sort() })
      return viewOf(channel)
    },
    /** The whole list of how the channel says words. */
    async setPronunciations(pronunciations: Pronunciation[]): Promise<ChannelView> {
      return viewOf(await (await first()).update({ pronunciations }))
    },
    async setFavouriteVoices(voices: string[]): Promise<ChannelView> {
      return viewOf(await (await first()).update({ favouriteVoices: [...new Set(voices)] }))
    },
    async pronunciationsOf(channelId: string): Promise<Pronunciation[]> {
      return (await Channel.findOne({ where: { id: channelId, ownerId } }))?.pronunciations ?? []
    },
    async removeWord(word: string): Promise<ChannelView> {
      const channel = await first()
      await channel.update({ words: channel.words.filter((known) => known !== word) })
      return viewOf(channel)
    },
  }
}
export type ChannelActions = ReturnType<typeof channelActions>
