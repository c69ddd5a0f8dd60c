/**
 * How well subtitles and headings of a server's films are told from their pictures, with and without
 * the shade they ask for: `npx tsx scripts/measure-legibility.ts http://localhost:4300`.
 */
import { filmOf } from '../packages/core/src/document/film-scenes.ts'
import { filmLetters } from '../packages/core/src/film/film-letters.ts'
import { type Legibility, legibilityOf } from '../packages/core/src/film/legible.ts'
import { frameOf } from '../packages/core/src/film/lettering/frame.ts'
import { filmShots } from '../packages/core/src/film/shots.ts'
import type { Light } from '../packages/core/src/pictures/light.ts'
import { LEGIBLE } from '../packages/core/src/style/contrast.ts'
import { timeline } from '../packages/core/src/timeline/timeline.ts'
import type { EpisodeRow, EpisodeView } from '../packages/core/src/views/episode.ts'

const [server = 'http://localhost:4300'] = process.argv.slice(2)
const WIDE = { width: 1920, height: 1080 }
const FRAME = frameOf(WIDE.width, WIDE.height)
/** WCAG 2.2 SC 1.4.3 asks 3 : 1 of large letters. */
const LARGE = 3

const ask = async <Answer>(path: string) =>
  (await (await fetch(`${server}/api${path}`)).json()) as Answer

const told = (name: string, all: readonly Legibility[], least: number) =>
  `${name} ${all.length}, under ${least} : 1 without a shade ` +
  `${all.filter(({ contrast }) => contrast < least).length}, under 2 : 1 ` +
  `${all.filter(({ contrast }) => contrast < 2).length}, shaded ` +
  `${all.filter(({ shade }) => shade > 0).length}`

const { episodes } = await ask<{ episodes: EpisodeRow[] }>('/episodes')
const all: { cues: Legibility[]; headings: Legibility[] } = { cues: [], headings: [] }
for (const { id, title } of episodes) {
  const { document, takes, rate } = await ask<EpisodeView>(`/episodes/${id}`)
  const film = filmOf(document, rate)
  const plan = timeline(
    film,
    film.scenes.map((scene) => takes[scene.id]),
    [30, 1],
  )
  const items = plan.scenes.flatMap(({ shots }) => shots.flatMap(({ item }) => item?.id ?? []))
  const lights = new Map<string, Light>()
  const ids = [...new Set(items)]
  for (let i = 0; i < ids.length; i += 40) {
    const some = ids.slice(i, i + 40).join(',')
    const found = await ask<Record<string, Light>>(`/lights?ids=${some}`)
    for (const [item, light] of Object.entries(found)) lights.set(item, light)
  }
  const pictures = { shots: filmShots(plan, () => true), lights }
  const { cues, supers } = filmLetters(plan, film, WIDE, { pictures })
  const { palette } = film.lettering
  const headings = supers
    .filter(({ kind }) => kind === 'heading')
    .flatMap(({ box, start, end }) => {
      const letters = {
        box,
        start,
        end,
        colours: [palette.light],
        shade: palette.shade,
        opacity: 0,
      }
      return legibilityOf(letters, plan, pictures, palette, FRAME) ?? []
    })
  const known = cues.flatMap(({ legibility }) => legibility ?? [])
  all.cues.push(...known)
  all.headings.push(...headings)
  console.log(
    `${title}: ${told('subtitles', known, LEGIBLE)}; ${told('headings', headings, LARGE)}`,
  )
}
console.log(
  `All: ${told('subtitles', all.cues, LEGIBLE)}; ${told('headings', all.headings, LARGE)}`,
)
