'use client'
import { findPage, homePage, isHidden, pagesOf, type PageId } from '@/core/site'
import { useJob } from '../job/job-context'
import { Button, buttonClass } from '../parts/button'
import { count } from '../parts/words'
import { Item, Menu } from './menu'
import type { PageActs } from './use-acts'
import type { Below } from './use-pages-stage'

type Props = {
  readonly page: PageId
  readonly below: Below
  readonly acts: PageActs
  readonly onHold: (page: PageId) => void
  readonly onOpen: (below: Below) => void
  readonly onRemove: () => void
}

/** What can be done with the pages, over their table. */
export function PageBar({ page, below, acts, onHold, onOpen, onRemove }: Props) {
  const job = useJob((s) => s.id)
  const pages = useJob((s) => pagesOf(s.document).length)
  const isOne = useJob((s) => s.document.plan.onePage ?? false)
  const isHome = useJob((s) => homePage(s.document).id === page)
  const isKept = useJob((s) => findPage(s.document, page)?.hidden ?? false)
  const isUnderHidden = useJob((s) => {
    const found = findPage(s.document, page)
    return found !== null && !found.hidden && isHidden(s.document, found)
  })
  const copy = (withContent: boolean): void => {
    const copied = acts.copy(page, withContent)
    if (copied !== null) onHold(copied)
  }
  const toggle = (type: 'add-page' | 'outline' | 'all' | 'signposts' | 'redirects' | 'found' | 'untouched' | 'bin'): void =>
    onOpen({ type: below.type === type ? 'page' : type })
  return (
    <div className="flex flex-wrap items-center gap-1 pb-2">
      <h1 className="me-2 text-xl font-bold tracking-tight">{isOne ? `${count(pages, 'page')}, on one` : count(pages, 'page')}</h1>
      <Button aria-pressed={below.type === 'add-page'} onClick={() => toggle('add-page')}>
        Add a page
      </Button>
      <Button aria-pressed={below.type === 'outline'} onClick={() => toggle('outline')}>
        Paste an outline
      </Button>
      <span className="mx-1 h-5 border-s border-seam" aria-hidden />
      <Menu label="Copy" handTo={() => document.getElementById(`page-row-${page}`)}>
        <Item onSelect={() => copy(true)}>With everything in it</Item>
        <Item onSelect={() => copy(false)}>With the template’s content</Item>
      </Menu>
      <Button look="quiet" disabled={isHome || isUnderHidden} onClick={() => acts.hide(page, !isKept)}>
        {isKept ? 'Show' : 'Hide'}
      </Button>
      <Button look="quiet" disabled={isHome} onClick={() => acts.home(page)}>
        Make home
      </Button>
      <Button look="quiet" disabled={pages < 2} onClick={onRemove}>
        Take out
      </Button>
      <span className="ms-auto flex items-center">
        <Button look="quiet" aria-pressed={below.type === 'untouched'} onClick={() => toggle('untouched')}>
          Untouched
        </Button>
        <Button look="quiet" aria-pressed={below.type === 'bin'} onClick={() => toggle('bin')} title="What was taken out of this job">
          Bin
        </Button>
        <Button look="quiet" aria-pressed={below.type === 'signposts'} onClick={() => toggle('signposts')}>
          Menu entries
        </Button>
        <Button look="quiet" aria-pressed={below.type === 'redirects'} onClick={() => toggle('redirects')}>
          Addresses
        </Button>
        <Button look="quiet" aria-pressed={below.type === 'found'} onClick={() => toggle('found')} title="What others show of this page">
          Found
        </Button>
        <a className={buttonClass('quiet')} href={`/window/${job}?page=${page}`} target="_blank" rel="noreferrer">
          Own window
        </a>
        <Button look="quiet" aria-pressed={below.type === 'all'} onClick={() => toggle('all')} title="All pages side by side (a)">
          {below.type === 'all' ? 'One page' : 'All pages'}
        </Button>
      </span>
    </div>
  )
}
