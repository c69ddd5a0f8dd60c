import { z } from 'zod'

const text = z.string().optional()
const count = z.number().optional()

/** What ffprobe writes as JSON (`-of json`), as far as we ask for it; any of it may be missing. */
export const ProbeFacts = z.object({
  streams: z
    .array(
      z.object({
        codec_type: text,
        codec_name: text,
        profile: text,
        width: count,
        height: count,
        nb_frames: text,
        nb_read_packets: text,
        duration: text,
        pix_fmt: text,
        color_primaries: text,
        color_transfer: text,
        color_space: text,
        color_range: text,
        sample_rate: text,
        tags: z.object({ language: text }).optional(),
      }),
    )
    .optional(),
  chapters: z
    .array(z.object({ start_time: text, tags: z.object({ title: text }).optional() }))
    .optional(),
  format: z.object({ format_name: text, duration: text }).optional(),
})
export type ProbeFacts = z.infer<typeof ProbeFacts>
