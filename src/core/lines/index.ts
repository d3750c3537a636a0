export { breaksOf, type Break } from './breaks'
export { piecesOf, type Piece, type Ruler } from './pieces'
export { loadHyphenation, type Hyphenation } from './hyphenate'
export { leastRoom, lineEnd, linesIn } from './lines'
export { linesEverywhere, NARROWEST, overAt, WIDEST, type Stretch } from './everywhere'
export {
  heldBy,
  heldIn,
  heldSchema,
  heldStyle,
  LEAST_PX,
  LEAST_SHARE,
  piecesIn,
  type CountedText,
  type Held,
  type ListMark,
  type Room,
  type TextSetting,
} from './hold'
