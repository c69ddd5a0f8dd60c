import { z } from 'zod'
import { Document } from '@tidy-reel/core/document/document'

/**
 * Marks of the block in the page; it is written by this module alone, so the formatter leaves it.
 */
const BLOCK = /(<!-- prettier-ignore-start -->\n)[\s\S]*?(<!-- prettier-ignore-end -->)/

/** The JSON Schema (draft 2020-12) of a document as it is published. */
export const documentSchema = () => z.toJSONSchema(Document, { reused: 'ref', io: 'input' })

/** A page with the schema of today where it has that of another day. */
export const withSchema = (page: string): string =>
  page.replace(
    BLOCK,
    (_, open: string, close: string) =>
      `${open}\`\`\`json\n${JSON.stringify(documentSchema(), null, 1)}\n\`\`\`\n${close}`,
  )
