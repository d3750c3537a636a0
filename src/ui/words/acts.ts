import type { ChainedCommands, Editor } from '@tiptap/core'
import {
  AlignCenter,
  AlignLeft,
  AlignRight,
  ArrowLeftRight,
  Bold,
  CornerDownLeft,
  Heading,
  Italic,
  List,
  ListOrdered,
  Minimize,
  Quote,
  type LucideIcon,
} from 'lucide-react'
import { own } from '@/core/own'

/** What is done with words from their bar: its name, its key, whether the words at the caret are so already, and doing it. */
export type Act = {
  readonly name: string
  readonly key?: string
  readonly icon: LucideIcon
  readonly isOn: (editor: Editor) => boolean
  readonly press: (chain: ChainedCommands, editor: Editor) => ChainedCommands
}

const never = (): boolean => false
const active =
  (what: string | Readonly<Record<string, unknown>>) =>
  (editor: Editor): boolean =>
    editor.isActive(what as string)
const isTurned = (editor: Editor): boolean => editor.isActive({ dir: 'ltr' }) || editor.isActive({ dir: 'rtl' })

/** How words are set. */
export const SETTINGS: readonly Act[] = [
  { name: 'Bold', key: 'Ctrl+B', icon: Bold, isOn: active('bold'), press: (chain) => chain.toggleMark('bold') },
  { name: 'Italic', key: 'Ctrl+I', icon: Italic, isOn: active('italic'), press: (chain) => chain.toggleMark('italic') },
]

export const LISTS: readonly Act[] = [
  {
    name: 'List',
    key: 'Ctrl+Shift+8',
    icon: List,
    isOn: active('bulletList'),
    press: (chain) => chain.toggleList('bulletList', 'listItem'),
  },
  {
    name: 'Numbered list',
    key: 'Ctrl+Shift+7',
    icon: ListOrdered,
    isOn: active('orderedList'),
    press: (chain) => chain.toggleList('orderedList', 'listItem'),
  },
]

/** What only some places take. */
export const PARTS: readonly Act[] = [
  { name: 'Sub-heading', icon: Heading, isOn: active('heading'), press: (chain) => chain.toggleNode('heading', 'paragraph') },
  { name: 'Quotation', key: 'Ctrl+Shift+B', icon: Quote, isOn: active('blockquote'), press: (chain) => chain.toggleWrap('blockquote') },
]

export const SMALL: readonly Act[] = [
  { name: 'Small print', icon: Minimize, isOn: active('smallPrint'), press: (chain) => chain.toggleNode('smallPrint', 'paragraph') },
]

/** How lines run. */
export const LINES: readonly Act[] = [
  {
    name: 'Line break',
    key: 'Shift+Enter',
    icon: CornerDownLeft,
    isOn: never,
    press: (chain) => chain.insertContent({ type: 'hardBreak' }),
  },
  { name: 'At the start of the line', icon: AlignLeft, isOn: never, press: (chain, editor) => set(chain, editor, { align: null }) },
  aligned('In the middle', AlignCenter, 'center'),
  aligned('At the end of the line', AlignRight, 'end'),
  {
    name: 'The other direction',
    icon: ArrowLeftRight,
    isOn: isTurned,
    press: (chain, editor) => set(chain, editor, { dir: isTurned(editor) ? null : otherDirection(editor) }),
  },
]

function aligned(name: string, icon: LucideIcon, align: 'center' | 'end'): Act {
  const isOn = active({ align })
  return { name, icon, isOn, press: (chain, editor) => set(chain, editor, { align: isOn(editor) ? null : align }) }
}

type Set = { readonly align?: string | null; readonly dir?: string | null }

/** Sets the blocks that are chosen. */
function set(chain: ChainedCommands, editor: Editor, attributes: Set): ChainedCommands {
  const types = ['paragraph', 'heading', 'smallPrint'].filter((type) => own(editor.schema.nodes, type))
  return types.reduce((so, type) => so.updateAttributes(type, attributes), chain)
}

function otherDirection(editor: Editor): 'ltr' | 'rtl' {
  const { dom } = editor.view
  return dom.ownerDocument.defaultView?.getComputedStyle(dom).direction === 'rtl' ? 'ltr' : 'rtl'
}
