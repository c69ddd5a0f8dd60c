/** What ffmpeg, as an independent judge, says of a file; for tests. */
import { execFileSync, spawnSync } from 'node:child_process'

export interface StreamFacts {
  codec_type: string
  codec_name: string
  width?: number
  height?: number
  pix_fmt?: string
  color_space?: string
  color_primaries?: string
  color_transfer?: string
  color_range?: string
  r_frame_rate?: string
  nb_read_frames?: string
  duration?: string
  sample_rate?: string
  channels?: number
}

export function probe(file: string): {
  streams: StreamFacts[]
  chapters: { start_time: string; end_time: string; tags: { title: string } }[]
  format: { duration: string }
} {
  return JSON.parse(
    execFileSync(
      'ffprobe',
      [
        '-v',
        'error',
        '-count_frames',
        '-show_streams',
        '-show_chapters',
        '-show_format',
        '-of',
        'json',
        file,
      ],
      { encoding: 'utf8', maxBuffer: 1 << 26 },
    ),
  )
}

/** Everything ffmpeg's log says while a filter looks at a file. */
export function filterLog(file: string, filters: { video?: string; audio?: string }): string {
  const args = [
    '-hide_banner',
    '-nostats',
    '-i',
    file,
    ...(filters.video ? ['-vf', filters.video] : ['-vn']),
    ...(filters.audio ? ['-af', filters.audio] : ['-an']),
    '-f',
    'null',
    '-',
  ]
  return spawnSync('ffmpeg', args, { encoding: 'utf8', maxBuffer: 1 << 26 }).stderr
}

/** Integrated loudness and true peak by ffmpeg's `ebur128`, of the whole or of a part of it. */
export function ebur128(
  file: string,
  part?: { from: number; seconds: number },
): { lufs: number; peak: number } {
  const cut = part ? `atrim=${part.from}:${part.from + part.seconds},` : ''
  const summary = filterLog(file, { audio: `${cut}ebur128=peak=true` })
    .split('Summary:')
    .at(-1)!
  return {
    lufs: Number(/I:\s+(-?[\d.]+|-inf) LUFS/.exec(summary)![1]),
    peak: Number(/Peak:\s+(-?[\d.]+|-inf) dBFS/.exec(summary)![1]),
  }
}

/** Stretches of silence by ffmpeg's `silencedetect`, in seconds. */
export function silencesOf(file: string, level: string, seconds: number): [number, number][] {
  const log = filterLog(file, { audio: `silencedetect=n=${level}:d=${seconds}` })
  const starts = [...log.matchAll(/silence_start: (-?[\d.]+)/g)].map(([, s]) => Number(s))
  const ends = [...log.matchAll(/silence_end: ([\d.]+)/g)].map(([, s]) => Number(s))
  return starts.map((start, i) => [start, ends[i] ?? Infinity])
}

/** Raw planes of a file's first frames, as 8-bit luma only. */
export function lumaFrames(
  file: string,
  width: number,
  height: number,
  frames: number,
): Uint8Array[] {
  const out = execFileSync(
    'ffmpeg',
    [
      '-v',
      'error',
      '-i',
      file,
      '-frames:v',
      String(frames),
      '-f',
      'rawvideo',
      '-pix_fmt',
      'gray',
      '-',
    ],
    { maxBuffer: 1 << 28 },
  )
  return Array.from(
    { length: Math.floor(out.length / (width * height)) },
    (_, i) => new Uint8Array(out.buffer, out.byteOffset + i * width * height, width * height),
  )
}

/** The frames of a film that need no other to be drawn, by ffprobe, in order. */
export function keyframesOf(film: string, fps: number): number[] {
  const times = execFileSync(
    'ffprobe',
    [
      ...['-v', 'error', '-select_streams', 'v:0', '-skip_frame', 'nokey'],
      ...['-show_entries', 'frame=pts_time', '-of', 'csv=p=0', film],
    ],
    { encoding: 'utf8' },
  )
  return times.split('\n').flatMap((time) => (time ? [Math.round(parseFloat(time) * fps)] : []))
}
