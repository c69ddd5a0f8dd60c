import { documentFrom } from '@tidy-reel/core/document/apply'
import { filmOf } from '@tidy-reel/core/document/film-scenes'
import { certain } from '@tidy-reel/core/faults/certain'
import { filmLetters } from '@tidy-reel/core/film/film-letters'
import { WORLD } from '@tidy-reel/core/film/maps/world'
import { type FilmShape, renderPlan, type Segment } from '@tidy-reel/core/render/plan'
import { HOUSE_STYLES } from '@tidy-reel/core/style/house-styles'
import { timeline } from '@tidy-reel/core/timeline/timeline'

/** One sentence with all that may be written on a scene at once, and films of one and of six. */
const SCRIPTS = {
  all: `# Where it stands
[map: Bremen] [number: 13.8 billion years] [key: refraction] It stands near Bremen, and it has stood there for 13.8 billion years.`,
  plain: 'It stands near Bremen, and it has stood there for 13.8 billion years.',
  dressed: `# Where it stands
It stands near Bremen, where the river meets the sea, and it has stood there for a long time.
[map: Bremen] It stands near Bremen, where the river meets the sea and the boats go out.
[number: 20 miles] Its beam is seen for 20 miles, which is farther than most people would think.
The keeper climbs its stairs each evening, and each morning he comes down again to sleep.
[list: wood; coal; oil] They burned wood, then coal, then oil, and carried all of it up the stairs.
[key: refraction] A lens bends the light that would be lost, and that is called refraction.`,
}
const STYLES = { all: 'night', dressed: 'night', plain: 'calm' }
type Written = keyof typeof SCRIPTS

/**
 * What is burnt into the scenes of a film, as its segments have it: everything there is at once, a
 * film as one is dressed, subtitles alone, or nothing.
 */
export function benchLetters(
  what: Written | 'none',
  shape: FilmShape,
): Pick<Segment, 'ass' | 'shades'>[] {
  const written: Written = what === 'none' ? 'plain' : what
  const style = certain(HOUSE_STYLES.find(({ id }) => id === STYLES[written]))
  const film = {
    ...filmOf(documentFrom('Bench', SCRIPTS[written])),
    lettering: style.lettering,
  }
  const plan = timeline(film, [], shape.fps)
  const letters = filmLetters(plan, film, shape, { atlas: WORLD })
  const seen = what === 'none' ? { cues: [], supers: [], inlays: [] } : letters
  return renderPlan(plan, { ...seen, lettering: style.lettering }, shape, () => true).map(
    ({ ass, shades }) => ({ ass, shades }),
  )
}
