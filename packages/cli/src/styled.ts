import type { Document } from '@tidy-reel/core/document/document'
import { withStyle } from '@tidy-reel/core/document/style-parts'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { HOUSE_STYLES } from '@tidy-reel/core/style/house-styles'

/**
 * A document that follows a house style; without one it stays as it is.
 *
 * @throws TidyError `style_unknown`
 */
export function styled(document: Document, id: string | undefined): Document {
  if (id === undefined) return document
  const style = HOUSE_STYLES.find((one) => one.id === id)
  if (style) return withStyle(document, style)
  const known = HOUSE_STYLES.map((one) => one.id).join(', ')
  throw new TidyError('style_unknown', { style: id, known })
}
