import { ref } from 'vue'
import type { Command } from '@tidy-reel/core/document/command'
import type { HouseStyle } from '@tidy-reel/core/style/house-style'
import { stylesApi } from '../api/styles.ts'
import { useEpisode } from '../episode/episode-store.ts'

/**
 * Writes from a film into the house style it follows. What ships stays as it is: a copy of one's own
 * takes the change, and the film follows that.
 */
export function useStyleWriting(run: (command: Command) => void) {
  const episode = useEpisode()
  const told = ref('')

  async function write(change: (style: HouseStyle) => HouseStyle): Promise<void> {
    const followed = episode.document.style
    try {
      const { own } = await stylesApi.styles()
      const now = own.find(({ id }) => id === followed.id)
      const style = now
        ? await stylesApi.change(change(now))
        : await stylesApi.add(change({ ...followed, name: `${followed.name}, ours` }))
      run({ type: 'followStyle', style })
      told.value = `Kept in “${style.name}”.`
    } catch (cause) {
      told.value = (cause as Error).message
    }
  }
  return { write, told }
}
