import type { Editor } from '@tiptap/core'
import { own } from '@/core/own'

/** What is done with words from their bar. */
export type Act = 'strong' | 'em' | 'dots' | 'numbers' | 'heading' | 'quote' | 'small' | 'break' | 'start' | 'center' | 'end' | 'turn'

/** Whether the words at the caret are so already. */
export function isOn(editor: Editor, act: Act): boolean {
  switch (act) {
    case 'strong':
      return editor.isActive('bold')
    case 'em':
      return editor.isActive('italic')
    case 'dots':
      return editor.isActive('bulletList')
    case 'numbers':
      return editor.isActive('orderedList')
    case 'heading':
      return editor.isActive('heading')
    case 'quote':
      return editor.isActive('blockquote')
    case 'small':
      return editor.isActive('smallPrint')
    case 'center':
    case 'end':
      return editor.isActive({ align: act })
    case 'turn':
      return editor.isActive({ dir: 'ltr' }) || editor.isActive({ dir: 'rtl' })
    case 'start':
    case 'break':
      return false
    default:
      return act satisfies never
  }
}

export function press(editor: Editor, act: Act): void {
  const chain = editor.chain()
  switch (act) {
    case 'strong':
      return void chain.toggleMark('bold').run()
    case 'em':
      return void chain.toggleMark('italic').run()
    case 'dots':
      return void chain.toggleList('bulletList', 'listItem').run()
    case 'numbers':
      return void chain.toggleList('orderedList', 'listItem').run()
    case 'heading':
      return void chain.toggleNode('heading', 'paragraph').run()
    case 'quote':
      return void chain.toggleWrap('blockquote').run()
    case 'small':
      return void chain.toggleNode('smallPrint', 'paragraph').run()
    case 'break':
      return void chain.insertContent({ type: 'hardBreak' }).run()
    case 'start':
      return set(editor, { align: null })
    case 'center':
    case 'end':
      return set(editor, { align: isOn(editor, act) ? null : act })
    case 'turn':
      return set(editor, { dir: isOn(editor, 'turn') ? null : otherDirection(editor) })
    default:
      return act satisfies never
  }
}

/** Sets the blocks that are chosen. */
function set(editor: Editor, attributes: { readonly align?: string | null; readonly dir?: string | null }): void {
  const chain = editor.chain()
  for (const type of ['paragraph', 'heading', 'smallPrint']) if (own(editor.schema.nodes, type)) chain.updateAttributes(type, attributes)
  chain.run()
}

function otherDirection(editor: Editor): 'ltr' | 'rtl' {
  const { dom } = editor.view
  return dom.ownerDocument.defaultView?.getComputedStyle(dom).direction === 'rtl' ? 'ltr' : 'rtl'
}
