'use client'
import { countLeftovers } from '@/core/fill'
import { pagesOf } from '@/core/site'
import { useJob } from '../job/job-context'
import { tabName, type Tab } from './tabs'

/** The pages, and what they all share; each with its leftovers. */
export function TabBar({ tab, onTab }: { tab: Tab; onTab: (tab: Tab) => void }) {
  const pages = useJob((s) => pagesOf(s.document))
  return (
    <nav aria-label="Pages" className="flex shrink-0 items-end gap-0.5 overflow-x-auto border-b border-ink px-4">
      {pages.map(({ id }) => (
        <PageTab key={id} page={id} isOpen={tab === id} onTab={onTab} />
      ))}
      <SharedTab isOpen={tab === 'shared'} onTab={onTab} />
    </nav>
  )
}

type TabProps = { readonly isOpen: boolean; readonly onTab: (tab: Tab) => void }

function PageTab({ page: id, isOpen, onTab }: TabProps & { readonly page: Exclude<Tab, 'shared'> }) {
  const name = useJob((s) => {
    const page = s.document.pages[id]
    return page ? tabName(s.pack, s.document, page) : ''
  })
  const open = useJob((s) => countLeftovers(s.pack, s.document).byPage[id] ?? 0)
  return <TabButton name={name} open={open} isOpen={isOpen} onOpen={() => onTab(id)} />
}

function SharedTab({ isOpen, onTab }: TabProps) {
  const open = useJob((s) => countLeftovers(s.pack, s.document).everyPage)
  return <TabButton name="Every page" open={open} isOpen={isOpen} onOpen={() => onTab('shared')} isLast />
}

type ButtonProps = {
  readonly name: string
  readonly open: number
  readonly isOpen: boolean
  readonly onOpen: () => void
  readonly isLast?: boolean
}

const TAB = '-mb-px flex items-center gap-2 whitespace-nowrap border px-3 py-1.5 text-sm font-semibold'

function TabButton({ name, open, isOpen, onOpen, isLast = false }: ButtonProps) {
  const look = isOpen ? 'border-ink border-b-cloth bg-cloth' : 'border-clear hover:border-seam hover:bg-cloth'
  return (
    <button
      type="button"
      aria-current={isOpen ? 'page' : undefined}
      onClick={onOpen}
      className={`${TAB} ${isLast ? 'ms-auto' : ''} ${look}`}
    >
      <span className="max-w-40 truncate" dir="auto">
        {name}
      </span>
      {open > 0 ? (
        <span className="stitch-under pb-px font-mono text-xs font-medium text-thread">
          {open}
          <span className="sr-only"> leftovers</span>
        </span>
      ) : (
        <span className="font-mono text-xs text-done">
          ✓<span className="sr-only"> no leftovers</span>
        </span>
      )}
    </button>
  )
}
