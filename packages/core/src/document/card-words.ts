import { filled } from '../text/filled.ts'
import type { Document } from './document.ts'

/**
 * The words of a card: a person's own, else the house style's with the film's names in them.
 *
 * @example cardWords(emptyDocument('Tides'), 'opening') // => 'Tides'
 */
export const cardWords = (
  {
    cards,
    style,
    title,
    channel,
    next,
  }: Pick<Document, 'cards' | 'style' | 'title' | 'channel' | 'next'>,
  card: 'opening' | 'closing',
): string => filled(cards[card].text ?? style.cards[card], { title, channel, next }).trim()
