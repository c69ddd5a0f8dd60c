import { cutText } from '@tidy-reel/core/text/well-formed'

const SHOWN = 160

/** As much of a text as a strip has room for. */
export const beginning = (text: string) =>
  text.length > SHOWN ? `${cutText(text, SHOWN)} …` : text
