import { replaceWords } from '../../find'
import type { Edit } from '../../site'
import type { Near } from './near'

/** The edit that puts the fact itself where it was typed as words, as a chip; null where a place takes no chip. */
export function makeChip(near: Near): Edit | null {
  return near.fact && near.of.value?.type === 'rich' ? replaceWords([near], { fact: near.fact }) : null
}
