import { z } from 'zod'

const text = z.string().optional()
const count = z.number().optional()

/** What ffprobe writes as JSON (`-of json`), as far as we ask for it; any of it may be missing. */
export const ProbeFacts = z.object({
  streams: z
    .array(
      z.object({
        width: count,
        height: count,
        nb_frames: text,
        nb_read_packets: text,
        duration: text,
        pix_fmt: text,
        color_space: text,
        color_range: text,
      }),
    )
    .optional(),
  format: z.object({ format_name: text, duration: text }).optional(),
})
