import { z } from 'zod'

/** A file's name as the person's computer has it. */
export const FileName = z.object({ name: z.string().min(1).max(1000) })

export const said = z.string().trim().max(300)
/** What a person may say of a sound or music of their own; its title can stand in a direction. */
export const SAID_OF_OWN = {
  title: said
    .min(1)
    .regex(/^[^[\],;\n]*$/, 'words without brackets and commas')
    .optional(),
  words: said.optional(),
  author: said.optional(),
  licence: said.optional(),
}
