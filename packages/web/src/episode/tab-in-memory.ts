import { type TabStore, tabStore } from './tab-store.ts'

/** For tests: the store of a tab over a shared map, where every other tab is gone. */
export const tabOf = (kept: Map<string, string>, tab: string): TabStore =>
  tabStore(
    {
      getItem: (key) => kept.get(key) ?? null,
      setItem: (key, value) => void kept.set(key, value),
      removeItem: (key) => void kept.delete(key),
      keys: () => [...kept.keys()],
    },
    tab,
    (_tab, then) => then(),
  )
