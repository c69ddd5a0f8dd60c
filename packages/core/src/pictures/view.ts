import { z } from 'zod'

/**
 * What is seen of a picture: the centre of the view, 0 to 1 each way from the top left, and how
 * much of the largest possible view it shows, 0.1 to 1.
 */
export const View = z.object({
  x: z.number().min(0).max(1),
  y: z.number().min(0).max(1),
  scale: z.number().min(0.1).max(1),
})
export type View = z.infer<typeof View>

/** A slow move over a picture: what is seen of it at a shot's first frame and at its last. */
export const Move = z.object({ from: View, to: View })
export type Move = z.infer<typeof Move>
