/** How many connections to a server there are at most; many servers let no more in from one address. */
const AT_MOST = 4

type Line = { readonly close: () => void }
export type Connections<L> = { readonly use: <T>(work: (line: L) => Promise<T>) => Promise<T>; readonly close: () => void }

/**
 * Several connections to one server, each of which does one thing at a time. More are opened as they are wanted; where the server lets
 * no further one in, work waits for those that it has let in. The first is open already.
 */
export function connections<L extends Line>(first: L, open: () => Promise<L>): Connections<L> {
  const all = new Set([first])
  const idle: L[] = [first]
  const waiting: ((line: L) => void)[] = []
  let opening = 0
  let most = AT_MOST
  let isClosed = false
  const give = (line: L): void => {
    const next = waiting.shift()
    if (next) next(line)
    else idle.push(line)
  }
  const openFurther = async (): Promise<void> => {
    opening++
    try {
      const line = await open()
      // What it was wanted for is over.
      if (isClosed) line.close()
      all.add(line)
      give(line)
    } catch {
      most = Math.max(1, all.size)
    } finally {
      opening--
    }
  }
  const take = (): Promise<L> => {
    const line = idle.pop()
    if (line) return Promise.resolve(line)
    if (all.size + opening < most) void openFurther()
    return new Promise((resolve) => waiting.push(resolve))
  }
  return {
    use: async (work) => {
      const line = await take()
      try {
        return await work(line)
      } finally {
        // One that broke fails whatever is asked on it next, and with that the whole is opened anew.
        give(line)
      }
    },
    close: () => {
      isClosed = true
      all.forEach((line) => line.close())
    },
  }
}
