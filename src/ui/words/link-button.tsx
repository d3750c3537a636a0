'use client'
import { Link2 } from 'lucide-react'
import { Toolbar } from 'radix-ui'
import { useState } from 'react'
import { targetName } from '@/core/plan'
import type { LinkTarget } from '@/core/site'
import { useJobStore } from '../job/job-context'
import { LinkPicker } from './link-picker'
import type { WordEditor } from './word-editor'

/** Leads the chosen words somewhere; with none chosen, the name of where it leads is put in. Ctrl+K opens it. */
export function LinkButton({ words, className }: { words: WordEditor; className: string }) {
  const store = useJobStore()
  const [open, setOpen] = useState(false)
  const { editor } = words
  words.onLink = () => setOpen(true)
  const to = (editor.getAttributes('link').to ?? null) as LinkTarget | null
  const lead = (target: LinkTarget): void => {
    words.aim(target)
    const isBare = editor.state.selection.empty && !to
    const marks = [{ type: 'link', attrs: { to: target } }]
    if (isBare) editor.commands.insertContent({ type: 'text', text: targetName(store.getState(), target).name, marks })
    else editor.chain().extendMarkRange('link').setMark('link', { to: target }).run()
  }
  return (
    <LinkPicker
      label="Where the words lead"
      to={to}
      onTarget={lead}
      onNone={() => void editor.chain().extendMarkRange('link').unsetMark('link').run()}
      handTo={() => words.focus()}
      wordsAt={() => words.chosenAt()}
      open={open}
      onOpen={setOpen}
    >
      <Toolbar.Button type="button" className={className} aria-label="Link" title="Link (Ctrl+K)" data-on={to !== null}>
        <Link2 size={14} aria-hidden />
      </Toolbar.Button>
    </LinkPicker>
  )
}
