'use client'
import { countLeftovers } from '@/core/pack'
import { useJob } from '../job/job-context'
import { tabName, type Tab } from './tabs'

/** The pages, and what they all share; each with its leftovers. */
export function TabBar({ tab, onTab }: { tab: Tab; onTab: (tab: Tab) => void }) {
  const document = useJob((s) => s.document)
  const pack = useJob((s) => s.pack)
  const open = countLeftovers(pack, document)
  const tabs: { id: Tab; name: string; open: number }[] = [
    ...document.pages.map((page) => ({ id: page.id, name: tabName(pack, document, page), open: open.byPage[page.id] ?? 0 })),
    { id: 'shared', name: 'Every page', open: open.everyPage },
  ]
  return (
    <nav aria-label="Pages" className="flex shrink-0 items-end gap-0.5 overflow-x-auto border-b border-ink px-4">
      {tabs.map(({ id, name, open: n }) => (
        <button
          key={id}
          type="button"
          aria-current={tab === id ? 'page' : undefined}
          onClick={() => onTab(id)}
          className={`-mb-px flex items-center gap-2 whitespace-nowrap border px-3 py-1.5 text-sm font-semibold ${id === 'shared' ? 'ms-auto' : ''} ${tab === id ? 'border-ink border-b-cloth bg-cloth' : 'border-clear hover:border-seam hover:bg-cloth'}`}
        >
          <span className="max-w-40 truncate" dir="auto">{name}</span>
          {n > 0 ? <span className="stitch-under pb-px font-mono text-xs font-medium text-thread">{n}<span className="sr-only"> leftovers</span></span> : <span className="font-mono text-xs text-done">✓<span className="sr-only"> no leftovers</span></span>}
        </button>
      ))}
    </nav>
  )
}
