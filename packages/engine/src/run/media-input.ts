/**
 * What files from outside may be, by what their bytes are: the kinds that docs/formats.md names. A
 * list of other files (DASH, HLS, a concatenation) opens what it names, on this machine too; none
 * is among them.
 */
const KINDS = [
  'mov,mp4,m4a,3gp,3g2,mj2',
  'matroska,webm',
  'avi',
  'mpegts',
  'mpeg',
  'wav',
  'w64',
  'aiff',
  'caf',
  'mp3',
  'aac',
  'flac',
  'ogg',
  'gif',
  'apng',
  'image2',
  ...['bmp', 'gif', 'jpeg', 'png', 'tiff', 'webp'].map((still) => `${still}_pipe`),
].join(',')

/**
 * Options of ffmpeg and ffprobe before every input that comes from outside: nothing but this file
 * is opened, and only as one of the kinds above.
 */
export const MEDIA_INPUT: readonly string[] = [
  '-protocol_whitelist',
  'file,pipe',
  '-format_whitelist',
  KINDS,
]
