/** Red, green and blue of a colour `#RRGGBB`, 0 to 1 each. */
export function rgbOfHex(colour: string): readonly [red: number, green: number, blue: number] {
  const part = (i: number) => parseInt(colour.slice(i, i + 2), 16) / 255
  return [part(1), part(3), part(5)]
}
