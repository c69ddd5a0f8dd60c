import type { Finish } from '@tidy-reel/core/document/voicing'

/** Raised when a finish changes, so that earlier takes are made anew. */
export const FINISHING = 7

/**
 * What a voice goes through, as ffmpeg filters, at 48 kHz. The engines' 16 kHz sound ends at 8 kHz:
 * the exciter adds a little above from what is below; the de-esser takes back what that makes
 * sharp; three faint early reflections stand for a room.
 */
const CHAINS: Record<Finish, string[]> = {
  plain: [],
  documentary: [
    'highpass=f=70',
    'equalizer=f=420:t=q:w=1.2:g=-1.5',
    'equalizer=f=3000:t=q:w=1.4:g=2',
    'aexciter=amount=0.9:drive=5:blend=0:freq=5500:ceil=12000',
    'deesser=i=0.25:m=0.4:f=0.35',
    'acompressor=threshold=-26dB:ratio=2.5:attack=6:release=110',
    'aecho=1:1:13|21|34:0.05|0.035|0.02',
  ],
  bright: [
    'highpass=f=90',
    'equalizer=f=260:t=q:w=1:g=-1.5',
    'equalizer=f=3600:t=q:w=1.2:g=3',
    'highshelf=f=6500:g=3',
    'aexciter=amount=1.4:drive=6:blend=0:freq=5000:ceil=14000',
    'deesser=i=0.35:m=0.5:f=0.35',
    'acompressor=threshold=-28dB:ratio=3:attack=4:release=90',
    'aecho=1:1:11|17:0.04|0.03',
  ],
  intimate: [
    'highpass=f=60',
    'equalizer=f=150:t=q:w=0.9:g=3.5',
    'equalizer=f=500:t=q:w=1.2:g=-1.5',
    'equalizer=f=2600:t=q:w=1.2:g=1',
    'highshelf=f=7000:g=-1',
    'deesser=i=0.25:m=0.4:f=0.35',
    'acompressor=threshold=-30dB:ratio=3.5:attack=10:release=160',
  ],
}

/**
 * ffmpeg's filters for a finish; the sound comes in at any rate and goes out at 48 kHz.
 *
 * @param tempo  1 leaves its pace
 * @param boomDb what the voice has too much of below 260 Hz; `plain` leaves it
 */
export const finishFilters = (
  finish: Finish,
  { tempo = 1, boomDb = 0 }: { tempo?: number; boomDb?: number | undefined } = {},
): string =>
  [
    'aresample=48000',
    ...(tempo === 1 ? [] : [`atempo=${tempo.toFixed(4)}`]),
    ...(boomDb && finish !== 'plain' ? [`equalizer=f=180:t=o:w=1.4:g=${-boomDb}`] : []),
    ...CHAINS[finish],
  ].join(',')
