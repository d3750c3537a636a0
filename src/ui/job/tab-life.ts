/** How tabs know of each other whether they still live. */
export type TabLife = {
  /** Says that this tab lives, until what is returned is called or the tab is gone. */
  readonly live: (tab: string) => () => void
  /** Does something where another tab is gone, which comes back meanwhile for nobody; false where it lives. */
  readonly ifGone: (tab: string, then: () => Promise<void>) => Promise<boolean>
  /** Waits until another tab is gone, and does something then. */
  readonly whenGone: <T>(tab: string, then: () => Promise<T>) => Promise<T>
}

/** By a lock that each tab holds (Web Locks API), where the page may: over HTTPS, and on this computer. Elsewhere by asking each other. */
export function tabLife(): TabLife {
  return navigator.locks ? byLocks(navigator.locks) : byAsking(new BroadcastChannel('instant-fit-tabs'))
}

const lockName = (tab: string): string => `instant-fit-tab-${tab}`

function byLocks(locks: LockManager): TabLife {
  return {
    live: (tab) => {
      let release: () => void = () => undefined
      const held = new Promise<void>((resolve) => {
        release = resolve
      })
      void locks.request(lockName(tab), () => held)
      return release
    },
    ifGone: (tab, then) =>
      locks.request(lockName(tab), { ifAvailable: true }, async (lock) => {
        if (lock) await then()
        return lock !== null
      }),
    whenGone: (tab, then) => locks.request(lockName(tab), then),
  }
}

type Said = { readonly type: 'who'; readonly tab: string } | { readonly type: 'here' | 'gone'; readonly tab: string }

/** How long a tab that lives may take to answer, in ms: one in the background is woken seldom. */
const ANSWER_MS = 2000
/** How often a tab that lived is asked again, in ms: one that crashed says nothing when it goes. */
const AGAIN_MS = 10_000

/**
 * Tabs ask each other by name, and each says when it goes (HTML, “Broadcasting to other browsing contexts”). One that does not answer in
 * time is taken for gone; should it live after all, what both send is written once.
 */
export function byAsking(channel: Pick<BroadcastChannel, 'postMessage' | 'addEventListener' | 'removeEventListener'>): TabLife {
  // A channel is of one origin by itself.
  // oxlint-disable-next-line unicorn/require-post-message-target-origin
  const say = (said: Said): void => channel.postMessage(said)
  const lives = (tab: string): Promise<boolean> =>
    new Promise((resolve) => {
      const done = (answer: boolean): void => {
        clearTimeout(late)
        channel.removeEventListener('message', hear)
        resolve(answer)
      }
      const hear = ({ data }: MessageEvent<Said>): void => {
        if (data.type === 'here' && data.tab === tab) done(true)
      }
      const late = setTimeout(() => done(false), ANSWER_MS)
      channel.addEventListener('message', hear)
      say({ type: 'who', tab })
    })
  /** Until a tab says that it goes, or for a while. */
  const untilGone = (tab: string): Promise<void> =>
    new Promise((resolve) => {
      const done = (): void => {
        clearTimeout(late)
        channel.removeEventListener('message', hear)
        resolve()
      }
      const hear = ({ data }: MessageEvent<Said>): void => {
        if (data.type === 'gone' && data.tab === tab) done()
      }
      const late = setTimeout(done, AGAIN_MS)
      channel.addEventListener('message', hear)
    })
  return {
    live: (tab) => {
      const hear = ({ data }: MessageEvent<Said>): void => {
        if (data.type === 'who' && data.tab === tab) say({ type: 'here', tab })
      }
      channel.addEventListener('message', hear)
      return () => {
        channel.removeEventListener('message', hear)
        say({ type: 'gone', tab })
      }
    },
    ifGone: async (tab, then) => {
      if (await lives(tab)) return false
      await then()
      return true
    },
    whenGone: async (tab, then) => {
      while (await lives(tab)) await untilGone(tab)
      return then()
    },
  }
}
