/** A key press as the commands name it: `Ctrl+Shift+z`, `ArrowUp`, `?`. */
export function keyOf({
  key,
  ctrlKey,
  metaKey,
  altKey,
  shiftKey,
}: Pick<KeyboardEvent, 'key' | 'ctrlKey' | 'metaKey' | 'altKey' | 'shiftKey'>): string {
  const letter = /^\p{L}$/u.test(key)
  const plain = key.length === 1 && !letter && key !== ' '
  return [
    ...(ctrlKey || metaKey ? ['Ctrl'] : []),
    ...(altKey ? ['Alt'] : []),
    ...(shiftKey && !plain ? ['Shift'] : []),
    letter ? key.toLowerCase() : key,
  ].join('+')
}

const NAMES: Record<string, string> = {
  ' ': 'Space',
  ArrowUp: '↑',
  ArrowDown: '↓',
  ArrowLeft: '←',
  ArrowRight: '→',
  Delete: 'Del',
  PageUp: 'Page ↑',
  PageDown: 'Page ↓',
  '-': '−',
}
/** A key as people read it. */
export const keyName = (key: string) =>
  key
    .split(/(?<=\w)\+/)
    .map((part) => NAMES[part] ?? (/^[a-z]$/.test(part) ? part.toUpperCase() : part))
    .join(' ')
