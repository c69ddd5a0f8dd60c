import type { Film } from '../../document/film-scenes.ts'
import { itemAt } from '../../faults/certain.ts'
import { SAMPLE_RATE } from '../../time/time.ts'
import type { Timeline } from '../../timeline/timeline.ts'

/** Text on the picture that is not a subtitle; times in samples. */
export interface Super {
  style: 'Chapter' | 'Label' | 'Card'
  text: string
  start: number
  end: number
  fade?: { inMs: number; outMs: number }
}

const FADE = { inMs: 400, outMs: 400 }
/** How long a heading stands, in seconds: long enough to be read twice; by eye. */
const CHAPTER_SECONDS = 3.4

/** Chapter headings over the first seconds of their chapter, and the labels the script asks for. */
export function filmSupers(timeline: Timeline, film: Film): Super[] {
  const headings = timeline.chapters.map(({ title, startSample }): Super => {
    const end = Math.min(timeline.samples, startSample + CHAPTER_SECONDS * SAMPLE_RATE)
    return {
      style: 'Chapter',
      text: balanced(title),
      start: startSample + SAMPLE_RATE * 0.25,
      end,
      fade: FADE,
    }
  })
  const labels = timeline.scenes.flatMap((scene, i) =>
    itemAt(film.scenes, i).directions.flatMap((d): Super[] =>
      d.kind === 'super'
        ? [
            {
              style: 'Label',
              text: d.text,
              start: scene.speechStart,
              end: scene.endSample,
              fade: FADE,
            },
          ]
        : [],
    ),
  )
  return [...headings, ...labels]
}

/** A long heading stands in two lines, parted near its middle. */
function balanced(text: string): string {
  if (text.length <= 28) return text
  const spaces = [...text.matchAll(/ /g)].map((match) => match.index)
  if (!spaces.length) return text
  const at = spaces.reduce((a, b) =>
    Math.abs(b - text.length / 2) < Math.abs(a - text.length / 2) ? b : a,
  )
  return `${text.slice(0, at)}\n${text.slice(at + 1)}`
}
