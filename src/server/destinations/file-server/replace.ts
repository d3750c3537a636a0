import { nanoid } from 'nanoid'
import { WAITING_FOLDER } from '../../../core/release'
import { isDestinationError } from '../destination'

type Moves = {
  readonly rename: (from: string, to: string) => Promise<void>
  readonly remove: (path: string) => Promise<void>
}

/**
 * Gives a file another's place where a server may refuse to rename over what is there: that is set aside first, and put back where the
 * file does not come. For the moment between the two nothing is there.
 */
export async function moveOver({ rename, remove }: Moves, from: string, to: string): Promise<void> {
  try {
    return await rename(from, to)
  } catch (refused) {
    if (!isDestinationError(refused)) throw refused
    const aside = `${WAITING_FOLDER}/aside-${nanoid(8)}`
    // Where nothing can be set aside, something else than a file of that name was in the way.
    await rename(to, aside).catch((error: unknown) => {
      throw isDestinationError(error) ? refused : error
    })
    await rename(from, to).catch(async (error: unknown) => {
      await rename(aside, to).catch(() => undefined)
      throw error
    })
    await remove(aside)
  }
}
