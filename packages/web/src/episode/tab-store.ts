/**
 * The browser's storage for what one tab has not handed over yet. Two tabs on one episode keep
 * theirs apart; what a tab left when it closed or died is taken up by another.
 */
export interface TabStore {
  get(name: string): string | undefined
  set(name: string, value: string): void
  remove(name: string): void
  /**
   * Hands over what other tabs kept under a name, each once its tab is gone, now or later.
   *
   * @param take whether it has taken it: then it is kept no more
   */
  left(name: string, take: (value: string) => boolean): void
}

type Keeping = Pick<Storage, 'getItem' | 'setItem' | 'removeItem'> & { keys(): string[] }

/** Runs `then` when a tab is gone. */
export type WhenGone = (tab: string, then: () => void) => void

const PREFIX = 'tidy-reel'
/** Names and tabs have no such sign in them. */
const PARTING = ' / '

/** @param tab its name among all tabs that there are and ever were */
export function tabStore(storage: Keeping, tab: string, whenGone: WhenGone): TabStore {
  const keyOf = (name: string, of = tab) => `${PREFIX} ${name}${PARTING}${of}`
  return {
    get: (name) => storage.getItem(keyOf(name)) ?? undefined,
    set(name, value) {
      try {
        storage.setItem(keyOf(name), value)
      } catch {
        // The browser's storage is full or closed to us: what was typed is still on the page.
      }
    },
    remove: (name) => storage.removeItem(keyOf(name)),
    left(name, take) {
      const begin = keyOf(name, '')
      for (const key of storage
        .keys()
        .filter((key) => key.startsWith(begin) && key !== keyOf(name)))
        whenGone(key.slice(begin.length), () => {
          const value = storage.getItem(key)
          if (value !== null && take(value)) storage.removeItem(key)
        })
    },
  }
}

const lockOf = (tab: string) => `${PREFIX} tab ${tab}`

/** Browsers have locks for pages they trust: those of this machine, and others over TLS. */
const browserLocks = () => (globalThis as { navigator?: { locks?: LockManager } }).navigator?.locks

/** Of this page: it holds a lock as long as it lives, which others wait for. */
export function ownTabStore(): TabStore {
  const tab = `${Date.now().toString(36)}-${Math.random().toString(36).slice(2)}`
  const locks = browserLocks()
  void locks?.request(lockOf(tab), () => new Promise(() => undefined))
  return tabStore(
    {
      getItem: (key) => localStorage.getItem(key),
      setItem: (key, value) => localStorage.setItem(key, value),
      removeItem: (key) => localStorage.removeItem(key),
      keys: () => Object.keys(localStorage),
    },
    tab,
    // Without locks nobody can tell; what a page left that died counts for more.
    (other, then) => void (locks ? locks.request(lockOf(other), then) : then()),
  )
}
