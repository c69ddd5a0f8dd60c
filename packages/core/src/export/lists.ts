import { csv } from '../text/csv.ts'
import { oneLine } from '../text/one-line.ts'
import { clockText, SAMPLE_RATE, secondsFromSamples } from '../time/time.ts'
import type { Timeline } from '../timeline/timeline.ts'

/**
 * The shot list: one row a shot.
 *
 * @returns times in seconds and in frames, `[start, end)`; the head alone for an empty film
 */
export function shotsCsv({ scenes, fps }: Timeline): string {
  const second = (frame: number) => ((frame * fps[1]) / fps[0]).toFixed(3)
  const rows = scenes.flatMap((scene, n) =>
    scene.shots.map((shot, i) => [
      n + 1,
      i + 1,
      second(shot.startFrame),
      second(shot.endFrame),
      shot.startFrame,
      shot.endFrame,
      shot.item?.id ?? '',
      shot.item?.title ?? 'plain card',
      shot.item?.author ?? '',
      shot.item?.licence ?? '',
      scene.text,
      shot.standing === 'on' ? 'yes' : '',
    ]),
  )
  return csv([
    [
      'scene',
      'shot',
      'start_s',
      'end_s',
      'start_frame',
      'end_frame',
      'item',
      'title',
      'author',
      'licence',
      'narration',
      'goes_on',
    ],
    ...rows,
  ])
}

/**
 * Who made what is seen and heard, each once, in order of appearance, as their licences ask.
 *
 * @param sounds credits of effects; their heading is left out where there are none
 * @returns "none" under Pictures where nothing is to be credited
 */
export function creditsText(
  title: string,
  pictureCredits: readonly string[],
  voice: string,
  music: string,
  sounds: readonly string[] = [],
): string {
  const pictures = pictureCredits.filter(Boolean).map((credit) => `- ${oneLine(credit)}`)
  return [
    oneLine(title),
    '',
    'Pictures',
    ...(pictures.length ? pictures : ['- none']),
    '',
    'Voice',
    `- ${voice}`,
    '',
    'Music',
    `- ${music}`,
    '',
    ...(sounds.length ? ['Sounds', ...sounds.map((one) => `- ${oneLine(one)}`), ''] : []),
  ].join('\n')
}

/**
 * Chapters as players and video sites read them from a description: the first at 0:00.
 *
 * @returns a line a chapter, its time in minutes and seconds; "Opening" first where the first
 *   heading comes later
 */
export function chapterList({ chapters }: Timeline): string {
  const listed =
    chapters[0] && chapters[0].startSample < SAMPLE_RATE
      ? chapters
      : [{ title: 'Opening', startSample: 0 }, ...chapters]
  return (
    listed
      .map(
        ({ title, startSample }) =>
          `${clockText(Math.floor(secondsFromSamples(startSample)))} ${oneLine(title)}`,
      )
      .join('\n') + '\n'
  )
}

/**
 * Chapters as ffmpeg's metadata file; text escaped as it asks.
 *
 * @returns times in samples (`TIMEBASE=1/48000`), each chapter until the next one
 */
export function ffmetadata(title: string, { chapters, samples }: Timeline): string {
  const safe = (text: string) => oneLine(text).replace(/[=;#\\]/g, '\\$&')
  const blocks = chapters.map(({ title: name, startSample }, i) => {
    const end = chapters[i + 1]?.startSample ?? samples
    const start = i === 0 && startSample < SAMPLE_RATE ? 0 : startSample
    return [
      '[CHAPTER]',
      `TIMEBASE=1/${SAMPLE_RATE}`,
      `START=${start}`,
      `END=${end}`,
      `title=${safe(name)}\n`,
    ].join('\n')
  })
  return `;FFMETADATA1\ntitle=${safe(title)}\n${blocks.join('')}`
}
