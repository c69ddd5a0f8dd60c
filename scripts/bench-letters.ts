import { documentFrom } from '@tidy-reel/core/document/apply'
import { filmOf } from '@tidy-reel/core/document/film-scenes'
import { certain, itemAt } from '@tidy-reel/core/faults/certain'
import { filmLetters } from '@tidy-reel/core/film/film-letters'
import { WORLD } from '@tidy-reel/core/film/maps/world'
import { type FilmShape, renderPlan } from '@tidy-reel/core/render/plan'
import { HOUSE_STYLES } from '@tidy-reel/core/style/house-styles'
import { timeline } from '@tidy-reel/core/timeline/timeline'

/** A sentence with all that may be written on one scene at once, and one with its words alone. */
const SCRIPTS = {
  all: `# Where it stands
[map: Bremen] [number: 13.8 billion years] [key: refraction] It stands near Bremen, and it has stood there for 13.8 billion years.`,
  plain: 'It stands near Bremen, and it has stood there for 13.8 billion years.',
}

/** What is burnt into a scene, as a segment has it: everything there is, a subtitle, or nothing. */
export function benchLetters(what: 'all' | 'plain' | 'none', shape: FilmShape): string {
  const style = certain(HOUSE_STYLES.find(({ id }) => id === (what === 'all' ? 'night' : 'calm')))
  const document = documentFrom('Bench', what === 'all' ? SCRIPTS.all : SCRIPTS.plain)
  const film = { ...filmOf(document), lettering: style.lettering }
  const plan = timeline(film, [], shape.fps)
  const letters = filmLetters(plan, film, shape, { atlas: WORLD })
  const written = what === 'none' ? { cues: [], supers: [], inlays: [] } : letters
  const lettered = { ...written, lettering: style.lettering }
  return itemAt(
    renderPlan(plan, lettered, shape, () => true),
    0,
  ).ass
}
