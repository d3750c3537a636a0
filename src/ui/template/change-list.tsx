'use client'
import type { ChangeReport, SectionChange } from '@/core/wear'
import { count } from '../parts/words'

/** What putting the template on does, in words: page by page, every section that does not simply stay. */
export function ChangeList({ report }: { report: ChangeReport }) {
  const { totals } = report
  return (
    <section className="mb-4 border-b border-seam pb-3" aria-label="What changes">
      <h2 className="font-bold">What changes</h2>
      <ul className="mt-1 list-['–__'] ps-4">
        <li>
          {totals.kept === 0
            ? 'Nothing of the client’s is on the pages yet'
            : `${count(totals.kept, 'section')} with the client’s words: all kept`}
        </li>
        <li>{totals.moved === 0 ? 'No section changes its place' : `${count(totals.moved, 'section')} in another place on the page`}</li>
        <li>
          {totals.notShown === 0
            ? 'Everything of the client’s is shown'
            : `${count(totals.notShown, 'piece')} of the client’s ${totals.notShown === 1 ? 'is' : 'are'} kept but not shown`}
        </li>
        <li>
          {count(totals.added, 'section')} new; {count(totals.leftoversThen, 'leftover')} in all then, {totals.leftoversNow} now
        </li>
        <li>
          {count(totals.gone, 'empty section')} of the old template {totals.gone === 1 ? 'leaves' : 'leave'}
        </li>
      </ul>
      <p className="mt-1 text-sm text-soft">One step to undo; putting the old one back on finds everything where it was.</p>
      {report.pages.map(({ name, sections }, i) => {
        const told = sections.filter((c) => c.type !== 'stays' || c.notShown.length > 0 || !c.redressed)
        return (
          told.length > 0 && (
            <details key={`${name} ${i}`} className="mt-2" open={i === 0}>
              <summary className="cursor-pointer font-semibold">{name}</summary>
              <ul className="ps-1 text-sm">
                {told.map((change) => (
                  <li key={change.section.id} className="py-0.5">
                    <Line change={change} />
                  </li>
                ))}
              </ul>
            </details>
          )
        )
      })}
    </section>
  )
}

const SIGNS: Record<SectionChange['type'], string> = { stays: '=', moves: '↕', new: '+', leaves: '−' }

function Line({ change: { section, type, was, becomes, redressed, notShown, leftovers } }: { change: SectionChange }) {
  const words = {
    stays: redressed ? 'stays' : 'stays, in the design it had',
    moves: `moves from place ${was} to ${becomes}${redressed ? '' : ', in the design it had'}`,
    new: `is new, ${count(leftovers, 'leftover')}`,
    leaves: 'leaves; it held nothing of the client’s',
  }[type]
  return (
    <>
      <span className="inline-block w-5 font-mono" aria-hidden>
        {SIGNS[type]}
      </span>
      <strong className="font-semibold">{section.kind}</strong> {words}
      {notShown.map(({ slot, words: lost }) => (
        <span key={slot} className="block ps-5 text-thread">
          not shown here: {slot} “{lost.slice(0, 60)}”
        </span>
      ))}
    </>
  )
}
