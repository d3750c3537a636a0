import { Extension, Mark, Node, type Extensions } from '@tiptap/core'
import { Heading, type Level } from '@tiptap/extension-heading'
import { HardBreak } from '@tiptap/extension-hard-break'
import StarterKit from '@tiptap/starter-kit'
import { parseTargetText, targetText, type Allowed } from '@/core/rich'
import type { ChipFact, LinkTarget } from '@/core/site'

/** What the words of a place are drawn with: what its chips show, and where they lead. */
export type WordLooks = {
  readonly chip: (fact: ChipFact) => string
}

/**
 * The kit set up for our own value: what a rich text can hold and nothing more. It draws the very elements that a page has. Nothing that
 * is typed turns into marks by itself: stars are stars, and a dash is a dash.
 */
export function wordExtensions(allowed: Allowed, looks: WordLooks): Extensions {
  return [
    StarterKit.configure({
      ...NOT_OURS,
      heading: false,
      hardBreak: false,
      blockquote: allowed.parts ? {} : false,
      listItem: { HTMLAttributes: {} },
    }),
    ...(allowed.parts ? [headingOf(allowed.rank)] : []),
    LineBreak,
    SmallPrint,
    Setting,
    LinkMark,
    chipOf(looks),
    ListDepth,
  ]
}

const NOT_OURS = {
  code: false,
  codeBlock: false,
  dropcursor: false,
  gapcursor: false,
  horizontalRule: false,
  link: false,
  strike: false,
  trailingNode: false,
  underline: false,
  // Undo is the job's: across places, tabs and reloads.
  undoRedo: false,
} as const

function headingOf(rank: Level): Node {
  return Heading.extend({
    parseHTML: () => [1, 2, 3, 4, 5, 6].map((n) => ({ tag: `h${n}`, attrs: { level: rank } })),
  }).configure({ levels: [rank] })
}

/** Ctrl+Enter is the way to the next place. */
const LineBreak = HardBreak.extend({
  addKeyboardShortcuts() {
    return { 'Shift-Enter': () => this.editor.commands.setHardBreak() }
  },
})

const SmallPrint = Node.create({
  name: 'smallPrint',
  group: 'block',
  content: 'inline*',
  // After the paragraph, which is what a new block is.
  priority: 900,
  parseHTML: () => [{ tag: 'p', contentElement: 'small', getAttrs: (element) => (isSmall(element) ? null : false), priority: 60 }],
  renderHTML: ({ HTMLAttributes }) => ['p', HTMLAttributes, ['small', 0]],
})

function isSmall(element: HTMLElement): boolean {
  return element.childNodes.length === 1 && element.firstElementChild?.localName === 'small'
}

/** Alignment and direction of blocks. */
const Setting = Extension.create({
  name: 'setting',
  addGlobalAttributes: () => [
    {
      types: ['paragraph', 'heading', 'smallPrint'],
      attributes: {
        align: {
          default: null,
          parseHTML: (element) => /^(center|end)$/.exec(element.style.textAlign)?.[0] ?? null,
          renderHTML: ({ align }) => (align ? { class: `words-${align}`, style: `text-align:${align}` } : {}),
        },
        dir: { default: null, parseHTML: (element) => /^(ltr|rtl)$/.exec(element.dir)?.[0] ?? null },
      },
    },
  ],
})

const LinkMark = Mark.create({
  name: 'link',
  // Around whatever else its words are set in, as on a page.
  priority: 1000,
  inclusive: false,
  addAttributes: () => ({
    to: {
      default: null,
      parseHTML: (element) => parseTargetText(element.getAttribute('data-to') ?? ''),
      renderHTML: ({ to }) => ({ 'data-to': targetText(to as LinkTarget), title: targetText(to as LinkTarget) }),
    },
  }),
  parseHTML: () => [{ tag: 'a[data-to]' }],
  renderHTML: ({ HTMLAttributes }) => ['a', { href: '#', ...HTMLAttributes }, 0],
})

/** A fact in the middle of words: one letter to the hand, its value to the eye. */
function chipOf({ chip }: WordLooks): Node {
  return Node.create({
    name: 'chip',
    group: 'inline',
    inline: true,
    atom: true,
    addAttributes: () => ({ fact: { default: null, parseHTML: (element) => element.getAttribute('data-chip'), rendered: false } }),
    parseHTML: () => [{ tag: '[data-chip]' }],
    renderHTML: ({ node }) => {
      const fact = node.attrs.fact as ChipFact
      const isLink = fact === 'phone' || fact === 'email'
      return [isLink ? 'a' : 'span', { ...(isLink && { href: '#' }), 'data-chip': fact }, chip(fact)]
    },
  })
}

/** Entries lie at most three deep. */
const ListDepth = Extension.create({
  name: 'listDepth',
  priority: 1200,
  addKeyboardShortcuts() {
    return {
      Tab: () => {
        const { $from } = this.editor.state.selection
        const depth = Array.from({ length: $from.depth }, (_, i) => $from.node(i + 1)).filter(
          (node) => node.type.name === 'listItem',
        ).length
        return depth >= 3
      },
    }
  },
})
