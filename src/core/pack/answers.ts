import { ALTERATION_NAMES, ALTERATIONS, type Alteration } from '../site'
import type { Design, DesignNode } from './design'

/** The settings of each alteration that a design answers to. */
export type Answers = Readonly<Partial<Record<Alteration, readonly string[]>>>

/** The settings that a design's CSS carries out: all, where it uses the alteration's property; else those whose class it has rules for. */
const answers = new WeakMap<Design, Map<boolean, Answers>>()

/**
 * What can be altered in a section that wears a design, under a template. A design says so by its CSS: it reckons with `--cut-above`
 * and its like, or has rules for `.cut-side-other` and its like. A heading's size is the template's, so `templateCss` must
 * reckon with it too; a picture's frame can be altered where the design names one and its CSS forces none.
 */
export function answersOf(design: Design, templateCss: string): Answers {
  const hasHeadings = templateCss.includes('--cut-heading')
  const known = answers.get(design)?.get(hasHeadings)
  if (known) return known
  const found = Object.fromEntries(
    ALTERATION_NAMES.flatMap((name) => {
      const settings = settingsOf(design, name, hasHeadings)
      return settings.length === 0 ? [] : [[name, settings]]
    }),
  ) as Answers
  answers.set(design, (answers.get(design) ?? new Map<boolean, Answers>()).set(hasHeadings, found))
  return found
}

function settingsOf({ css, tree }: Design, name: Alteration, hasHeadings: boolean): readonly string[] {
  const all: readonly string[] = ALTERATIONS[name]
  if (name === 'frame') return has(tree, isFramed) && !css.includes('object-fit') ? all : []
  const [, own] = new RegExp(`var\\(--cut-${name}(?:, *([^()]+))?`).exec(css) ?? []
  if (css.includes(`var(--cut-${name}`) || (name === 'heading' && hasHeadings && has(tree, isHeading)))
    return all.filter((setting) => setting !== own)
  return all.filter((setting) => css.includes(`.cut-${name}-${setting}`))
}

function has(node: DesignNode, is: (node: Exclude<DesignNode, string>) => boolean): boolean {
  return typeof node !== 'string' && (is(node) || node.children.some((child) => has(child, is)))
}

const isHeading = ({ tag }: Exclude<DesignNode, string>): boolean => tag === 'h1' || tag === 'h2'

/** Every frame that a design gives a picture, as `4:5`. */
export function framesOf(design: Design): readonly string[] {
  const found = new Set<string>()
  has(design.tree, ({ binding }) => {
    if (binding?.type === 'slot' && binding.ratio !== null) for (const frame of binding.ratio.split(' ')) found.add(frame)
    return false
  })
  return [...found]
}

function isFramed({ binding }: Exclude<DesignNode, string>): boolean {
  return binding?.type === 'slot' && binding.slotType === 'image' && binding.ratio !== null
}
