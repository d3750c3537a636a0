'use client'
import { findPage, homePage, isHidden, pagesOf, type PageId } from '@/core/site'
import { useJob } from '../job/job-context'
import { Button } from '../parts/button'
import { count } from '../parts/words'
import { CheckItem, Item, Menu } from './menu'
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
  const toggle = (type: Exclude<Below['type'], 'page' | 'add-section'>): void => onOpen({ type: below.type === type ? 'page' : type })
  const only = pages < 2 ? 'It is the only page.' : null
  return (
    <div className="flex flex-wrap items-center gap-1 pb-2">
      <h1 className="me-2 text-xl font-bold tracking-tight">{isOne ? `${count(pages, 'page')}, on one` : count(pages, 'page')}</h1>
      <Button aria-pressed={below.type === 'add-page'} onClick={() => toggle('add-page')}>
        Add a page
      </Button>
      <Button look="quiet" disabled={only !== null} title={only ?? 'Remove the page in hand (Del)'} onClick={onRemove}>
        Remove
      </Button>
      <Menu label="Page" handTo={() => document.getElementById(`page-row-${page}`)}>
        <Item onSelect={() => copy(true)}>Duplicate with everything in it</Item>
        <Item onSelect={() => copy(false)}>Duplicate with the template’s content</Item>
        <Item
          onSelect={() => acts.hide(page, !isKept)}
          why={isHome ? 'Home cannot be hidden.' : isUnderHidden ? 'It is hidden with the page over it.' : null}
        >
          {isKept ? 'Show' : 'Hide'}
        </Item>
        <Item onSelect={() => acts.home(page)} why={isHome ? 'This is home already.' : null}>
          Make home
        </Item>
        <Item onSelect={() => window.open(`/window/${job}?page=${page}`, '_blank', 'noreferrer')}>Open in a new window</Item>
      </Menu>
      <Menu label="Finding">
        <Item opens onSelect={() => toggle('found')}>
          Search & share
        </Item>
        <Item opens onSelect={() => toggle('redirects')}>
          Redirects
        </Item>
      </Menu>
      <Menu label="Site">
        <Item opens onSelect={() => toggle('outline')}>
          Paste an outline
        </Item>
        <Item opens onSelect={() => toggle('untouched')}>
          Unfilled pages and sections
        </Item>
        <CheckItem checked={isOne} onCheck={acts.onePage}>
          One-page site
        </CheckItem>
      </Menu>
      <span className="ms-auto flex items-center">
        <Button look="quiet" aria-pressed={below.type === 'signposts'} onClick={() => toggle('signposts')}>
          Menu
        </Button>
        <Button look="quiet" aria-pressed={below.type === 'bin'} onClick={() => toggle('bin')} title="What was removed from this job">
          Bin
        </Button>
        <Button look="quiet" aria-pressed={below.type === 'all'} onClick={() => toggle('all')} title="All pages side by side (a)">
          Overview
        </Button>
      </span>
    </div>
  )
}
