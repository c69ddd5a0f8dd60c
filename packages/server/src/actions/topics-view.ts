import { pacedFilms, trendOf } from '@tidy-reel/core/topics/pace'
import { rankedSubjects } from '@tidy-reel/core/topics/rank-subjects'
import { type OwnedFilm, subjectsOf } from '@tidy-reel/core/topics/subjects'
import type { Idea, TopicsView, WatchedChannel } from '@tidy-reel/core/topics/topic-views'
import { loadLexicon } from '@tidy-reel/engine/words/wordnet'
import type { Watched } from '../db/models.ts'

/** From here on WordNet's commonest sense of a word is something that can be shown. */
const THING = 0.35

/**
 * What the Topics room shows: channels with their films against the usual, subjects by what they
 * bring.
 */
export async function topicsView(
  watched: readonly Watched[],
  ideas: Idea[],
  now: number,
): Promise<TopicsView> {
  const paced = watched.map((channel) => ({ channel, films: pacedFilms(channel.films, now) }))
  const films = paced.flatMap(({ channel, films: own }) =>
    own.map((film): OwnedFilm => ({
      ...film,
      id: `${channel.id}/${film.id}`,
      channel: channel.name,
      own: channel.own,
    })),
  )
  const lexicon = await loadLexicon()
  const synonyms = (word: string) => lexicon.synonyms(word)
  const isThing = (term: string) => (lexicon.picturable(term) ?? 0) >= THING
  return {
    channels: paced.map(({ channel, films: own }) => channelView(channel, trendOf(own))),
    films,
    subjects: rankedSubjects(subjectsOf(films, synonyms, isThing)),
    ideas,
  }
}

const channelView = (
  { id, name, own, films, takenAt }: Watched,
  trend: number | undefined,
): WatchedChannel => ({
  id,
  name,
  own,
  films: films.length,
  takenAt: takenAt.toISOString(),
  ...(trend === undefined ? {} : { trend }),
})
