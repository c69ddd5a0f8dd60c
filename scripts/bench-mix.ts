/**
 * How long it takes to mix a film of 25 minutes, against its length, and the memory it takes:
 * `npm run bench:mix`. Pictures, and the voice itself, are left out.
 */
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { bedPlan } from '@tidy-reel/core/film/music/bed-plan'
import { SPEECH_LUFS } from '@tidy-reel/core/film/sound/mix'
import { PLAIN_MIXING } from '@tidy-reel/core/style/film-choices'
import { SAMPLE_RATE } from '@tidy-reel/core/time/time'
import type { TimelineScene } from '@tidy-reel/core/timeline/timeline'
import { bedAlone, makeBed } from '@tidy-reel/engine/sound/bed'
import { mixdown } from '@tidy-reel/engine/sound/mixdown'
import { voiceTrack } from '@tidy-reel/engine/sound/voice-track'
import { takeOf } from '@tidy-reel/engine/speech/take'
import { voiceList } from '@tidy-reel/engine/speech/voice-list'

const SECONDS = 25 * 60
/** One sentence after the other, with a pause behind each. */
const EVERY_SECONDS = 6.5
const TEXT =
  'The lamp burns all night above the sea, and by day it is wound and cleaned and filled again.'

async function bench() {
  const work = mkdtempSync(join(tmpdir(), 'tidy-bench-mix-'))
  try {
    const place = { takes: work, voices: voiceList(work) }
    const take = await takeOf(place, { text: TEXT, voice: 'flite-slt', speed: 1 })
    const samples = SECONDS * SAMPLE_RATE
    const spoken = Array.from({ length: Math.floor(SECONDS / EVERY_SECONDS) }, (_, i) => {
      const start = Math.round((i * EVERY_SECONDS + 0.4) * SAMPLE_RATE)
      return { start, end: start + take.samples, lufs: SPEECH_LUFS }
    })
    const film = {
      samples,
      chapters: Array.from({ length: 7 }, (_, i) => (i + 1) * 190 * SAMPLE_RATE),
      spokenStart: 0,
      spokenEnd: samples - 2 * SAMPLE_RATE,
    }
    const begun = performance.now()
    const plan = bedPlan({ mood: 'calm', seed: 'bench' }, film)
    const music = bedAlone({ kind: 'made', mood: 'calm', plan }, samples)
    const bed = await makeBed({ beds: work, music: work }, music)
    const voice = join(work, 'voice.wav')
    await voiceTrack(
      voice,
      spoken.map(({ start }) => ({ speechStart: start }) as TimelineScene),
      spoken.map(() => take.file),
      samples,
    )
    const { lufs } = await mixdown(work, { voice, spoken, bed, samples, mixing: PLAIN_MIXING })
    const seconds = (performance.now() - begun) / 1000
    const megabytes = process.resourceUsage().maxRSS / 1000
    console.log(
      `mix of 25 minutes: ${(seconds / SECONDS).toFixed(3)} of its length (aim 0.05), ` +
        `${megabytes.toFixed(0)} MB at the most (aim 600), ${lufs.toFixed(1)} LUFS`,
    )
  } finally {
    rmSync(work, { recursive: true, force: true })
  }
}
void bench()
