import { expect, test } from 'vitest'
import { connections } from '../../src/server/destinations/ftp/connections'

type Line = { isOpen: boolean; readonly close: () => void }
const line = (): Line => {
  const one: Line = { isOpen: true, close: () => void (one.isOpen = false) }
  return one
}
/** Work that lasts until it is let go. */
function held(): { readonly work: () => Promise<void>; readonly letGo: () => void } {
  let letGo = (): void => undefined
  const lasts = new Promise<void>((resolve) => (letGo = resolve))
  return { work: () => lasts, letGo: () => letGo() }
}

test('more are opened as they are wanted, up to four; where no further one is let in, work waits for those that are', async () => {
  const opened: Line[] = []
  const many = connections(line(), async () => {
    const further = line()
    opened.push(further)
    return further
  })
  const { work, letGo } = held()
  const all = Array.from({ length: 9 }, () => many.use(work))
  letGo()
  await Promise.all(all)
  expect(opened).toHaveLength(3)
  let asked = 0
  const one = connections(line(), () => Promise.reject(new Error(`421 for the ${++asked}th`)))
  const seen: number[] = []
  await Promise.all([1, 2, 3, 4].map((n) => one.use(async () => void seen.push(n))))
  expect(seen.toSorted()).toEqual([1, 2, 3, 4])
})

test('one that is let in only after all were closed is closed too', async () => {
  const late = line()
  let letIn: (one: Line) => void = () => undefined
  const lines = connections(line(), () => new Promise<Line>((resolve) => (letIn = resolve)))
  const { work, letGo } = held()
  const first = lines.use(work)
  void lines.use(work)
  lines.close()
  letIn(late)
  letGo()
  await first
  await expect.poll(() => late.isOpen).toBe(false)
})
