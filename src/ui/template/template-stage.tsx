'use client'
import { useMemo, useRef, useState } from 'react'
import { bySuiting, type Candidate } from '@/core/choice'
import { BLANK, candidates } from '../parts/suited-template'
import { sendJson } from '../request/api'
import { refuse } from '../request/refuse'
import { factsOf } from '@/core/site'
import { useJob } from '../job/job-context'
import { AllTemplates } from './all-templates'
import { Beside } from './compare'
import { Particulars } from './details'
import { PutOn } from './put-on'
import { useTemplateView } from './template-view'
import { Walk } from './walk'

/** The template room: every template as a try-on of this client, looked at closely, put beside others, walked through, put on. */
export function TemplateStage({ favourites }: { favourites: readonly string[] }) {
  const pack = useJob((s) => s.pack)
  const assets = useJob((s) => s.assets)
  const facts = useJob((s) => factsOf(s.document))
  const [marked, setMarked] = useState<readonly string[]>(favourites)
  const { view, of } = useTemplateView()
  const lastSeen = useRef<string | null>(null)
  if (view !== 'all' && of[0] !== undefined) lastSeen.current = of[0]
  const all = useMemo(
    () => candidates(pack, assets, facts).sort((a, b) => (a.template.id === BLANK ? 1 : b.template.id === BLANK ? -1 : bySuiting(a, b))),
    [pack, assets, facts],
  )
  const chosen = of.map((id) => all.find((c) => c.template.id === id)).filter((c): c is Candidate => c !== undefined)
  const [first] = chosen
  const mark = (id: string): void => {
    const on = !marked.includes(id)
    setMarked(on ? [...marked, id] : marked.filter((m) => m !== id))
    sendJson(`/api/favourites/${id}`, { on }, 'PUT').catch((error: unknown) => {
      setMarked(marked)
      refuse(error)
    })
  }
  if (view === 'particulars' && first)
    return <Particulars candidate={first} isMarked={marked.includes(first.template.id)} onMark={() => mark(first.template.id)} />
  if (view === 'beside' && chosen.length > 1) return <Beside chosen={chosen.slice(0, 3)} />
  if (view === 'walk' && first) return <Walk template={first.template.id} />
  if (view === 'put-on' && first) return <PutOn key={first.template.id} template={first.template.id} />
  return <AllTemplates all={all} marked={marked} onMark={mark} lastSeen={lastSeen.current} />
}
