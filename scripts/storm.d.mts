/** What parts were killed how often, and what was lost or left undone, in words. */
export function storm(asked: {
  kills: number
  seed?: number
  first?: number
  say?: (text: string) => void
}): Promise<{ killed: Record<string, number>; faults: string[] }>
