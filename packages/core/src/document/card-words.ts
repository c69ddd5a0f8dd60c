import type { Document } from './document.ts'

/**
 * The words of a card: a person's own, else the house style's with the film's names in them.
 *
 * @example cardWords(emptyDocument('Tides'), 'opening') // => 'Tides'
 */
export function cardWords(
  {
    cards,
    style,
    title,
    channel,
    next,
  }: Pick<Document, 'cards' | 'style' | 'title' | 'channel' | 'next'>,
  card: 'opening' | 'closing',
): string {
  const names: Record<string, string> = { title, channel, next }
  return (cards[card].text ?? style.cards[card])
    .replace(/\{(title|channel|next)\}/g, (_, name: string) => names[name] ?? '')
    .trim()
}
