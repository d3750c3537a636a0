'use client'
import type { PageCompared } from '@/core/compare'
import type { Site } from '@/core/fill'
import { findPage } from '@/core/site'
import { TryOn } from '../../sheets/try-on'

/** How a page is laid out, and the box that each of the two is shown in, in px. */
const [LAYOUT, WIDTH, HEIGHT] = [1280, 470, 420]

/** One page in two states side by side, with a box around each section that looks otherwise. */
export function PagesSide({ was, now, compared }: { readonly was: Site; readonly now: Site; readonly compared: PageCompared }) {
  const sides = [
    { key: 'was', said: 'from', site: was },
    { key: 'now', said: 'to', site: now },
  ] as const
  return (
    <div className="flex flex-wrap gap-4">
      {sides.map(({ key, said, site }) => {
        const page = findPage(site.document, compared.page)
        const isThere = page && (key === 'was' ? compared.state !== 'new' : compared.state !== 'gone')
        return (
          <figure key={key}>
            <figcaption className="mb-1 text-sm text-soft">{key === 'was' ? 'From' : 'To'}</figcaption>
            {isThere ? (
              <TryOn
                site={site}
                page={page}
                layout={LAYOUT}
                width={WIDTH}
                height={HEIGHT}
                boxed={compared.boxed}
                label={`${compared.name}, ${said}`}
              />
            ) : (
              <p className="grid place-items-center border border-dashed border-seam text-soft" style={{ width: WIDTH, height: HEIGHT }}>
                {key === 'was' ? 'It was not there yet.' : 'It is there no more.'}
              </p>
            )}
          </figure>
        )
      })}
    </div>
  )
}
