/**
 * A process of its own for engines that are libraries: one that crashes or hangs takes no more with
 * it than the sentence it was speaking. Orders come in over the IPC channel, one at a time.
 */
import { z } from 'zod'

const Order = z.object({
  engine: z.enum(['flite', 'espeak-ng', 'model']),
  /** The engine's name of the voice; of a model its folder. */
  name: z.string(),
  /** Of a model with several. */
  speaker: z.number().int().min(0).optional(),
  order: z.object({ text: z.string(), stretch: z.number(), melody: z.number() }),
})
export type HostOrder = z.infer<typeof Order>

async function spoken(message: unknown) {
  const { engine, name, speaker = 0, order } = Order.parse(message)
  if (engine === 'flite') return (await import('./flite.ts')).speakWithFlite(name, order)
  if (engine === 'model') return (await import('./model.ts')).speakWithModel(name, speaker, order)
  return (await import('./espeak.ts')).speakWithEspeak(name, order)
}

function answer(said: { speech: unknown } | { reason: string }) {
  process.send?.(said)
}

process.on('message', (message) => {
  spoken(message).then(
    (speech) => answer({ speech }),
    (cause: unknown) => answer({ reason: cause instanceof Error ? cause.message : String(cause) }),
  )
})
process.on('disconnect', () => process.exit(0))
