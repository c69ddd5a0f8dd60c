import { Hono } from 'hono'
import { z } from 'zod'
import { EMPHASES, FINISHES, PauseFactor, Speed } from '@tidy-reel/core/document/voicing'
import { Pronunciation } from '@tidy-reel/core/text/pronunciation'
import type { SaidView, VoicesView } from '@tidy-reel/core/views/speech'
import { spokenBy, takeOf } from '@tidy-reel/engine/speech/take'
import { voiceFacts } from '@tidy-reel/engine/speech/voice-measures'
import type { Services } from '../services.ts'
import { valid } from './valid.ts'

const Pronunciations = z.array(Pronunciation).max(500)
const Say = z.object({
  text: z.string().trim().min(1).max(1200),
  voice: z.string().min(1).max(80),
  speed: Speed.default(1),
  finish: z.enum(FINISHES).optional(),
  emphasis: z.enum(EMPHASES).optional(),
  pauses: PauseFactor.optional(),
  pronunciations: Pronunciations.optional(),
  tighten: z.number().min(0.1).max(2).optional(),
  /** A recording to be heard as it would be finished. */
  take: z
    .string()
    .regex(/^[0-9a-f]{32}$/)
    .optional(),
})

/** Voices, and what they say when they are tried. */
export function speechRoutes({ channels, speech }: Services) {
  return new Hono()
    .get('/voices', async (c) => {
      const place = speech()
      const voices = await Promise.all(
        place.voices.voices.map(
          async ({ slower: _slower, speaks: _speaks, shift: _shift, ...voice }) => ({
            ...voice,
            ...(await voiceFacts(place.takes, voice)),
          }),
        ),
      )
      return c.json({ voices, fault: place.voices.fault?.message ?? null } satisfies VoicesView)
    })
    .post('/say', valid('json', Say), async (c) => {
      const request = withoutUndefined(c.req.valid('json'))
      const place = speech()
      const { hash, samples } = await takeOf(place, request, c.req.raw.signal)
      return c.json({ hash, samples, spoken: spokenBy(place, request).text } satisfies SaidView)
    })
    .put(
      '/channel/pronunciations',
      valid('json', z.object({ pronunciations: Pronunciations })),
      async (c) => c.json(await channels.setPronunciations(c.req.valid('json').pronunciations)),
    )
    .put(
      '/channel/voices',
      valid('json', z.object({ favourites: z.array(z.string().max(80)).max(200) })),
      async (c) => c.json(await channels.setFavouriteVoices(c.req.valid('json').favourites)),
    )
}

const withoutUndefined = ({
  finish,
  emphasis,
  pauses,
  pronunciations,
  tighten,
  take,
  ...rest
}: z.infer<typeof Say>) => ({
  ...rest,
  ...(finish ? { finish } : {}),
  ...(emphasis ? { emphasis } : {}),
  ...(pauses ? { pauses } : {}),
  ...(pronunciations ? { pronunciations } : {}),
  ...(tighten ? { tighten } : {}),
  ...(take ? { take } : {}),
})
