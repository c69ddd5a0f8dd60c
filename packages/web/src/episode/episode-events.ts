import { z } from 'zod'
import { FilmCopy } from '@tidy-reel/core/export/copies'
import { Preparing, RENDER_STATES, RenderProgress } from '@tidy-reel/core/views/episode'

/** What the server tells of an open episode while it is open. */
const EVENTS = {
  /** Changed by somebody: this tab, another one, the worker. */
  document: z.object({ revision: z.number() }),
  /** Something was missed: all of it is fetched anew. */
  reload: z.object({}),
  prepare: Preparing,
  /** The monitor's copy of a picture is there. */
  proxy: z.object({ id: z.string() }),
  /** Share of a recording that has been listened to. */
  recording: z.object({ id: z.string(), share: z.number() }),
  render: z.object({
    id: z.string(),
    state: z.enum(RENDER_STATES),
    progress: RenderProgress.nullable(),
  }),
  /** Of a finished film. */
  copies: z.object({ id: z.string(), copies: z.array(FilmCopy) }),
}
export type EpisodeEvents = { [Kind in keyof typeof EVENTS]: z.infer<(typeof EVENTS)[Kind]> }
type Heard = { [Kind in keyof EpisodeEvents]: (told: EpisodeEvents[Kind]) => void }

/**
 * Listens to the news of an episode.
 *
 * @returns stops listening
 */
export function followEpisode(id: string, heard: Heard): () => void {
  const source = new EventSource(`/api/episodes/${id}/events`)
  const follow = <Kind extends keyof EpisodeEvents>(kind: Kind) => {
    source.addEventListener(kind, (event: MessageEvent<string>) => {
      heard[kind](EVENTS[kind].parse(JSON.parse(event.data)) as EpisodeEvents[Kind])
    })
  }
  for (const kind of Object.keys(EVENTS) as (keyof EpisodeEvents)[]) follow(kind)
  return () => source.close()
}
