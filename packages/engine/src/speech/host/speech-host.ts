/**
 * A process of its own for engines that are libraries: one that crashes or hangs takes no more with it than
 * the sentence it was speaking. Orders come in over the IPC channel, one at a time.
 */
import { z } from 'zod'

const Order = z.object({
  engine: z.enum(['flite', 'espeak-ng']),
  name: z.string(),
  order: z.object({ text: z.string(), stretch: z.number(), melody: z.number() }),
})
export type HostOrder = z.infer<typeof Order>

async function answer(message: unknown) {
  const { engine, name, order } = Order.parse(message)
  if (engine === 'flite') return (await import('./flite.ts')).speakWithFlite(name, order)
  return (await import('./espeak.ts')).speakWithEspeak(name, order)
}

process.on('message', (message) => {
  answer(message).then(
    (speech) => process.send!({ speech }),
    (cause: unknown) => process.send!({ reason: cause instanceof Error ? cause.message : String(cause) }),
  )
})
process.on('disconnect', () => process.exit(0))
