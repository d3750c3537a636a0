import type { Metadata } from 'next'
import { listFavourites } from '@/server/use-cases/favourites'
import { TypedEarly } from '@/ui/parts/typed-early'
import { TemplateStage } from '@/ui/template/template-stage'

export const metadata: Metadata = { title: 'Template' }

export default function TemplatePage() {
  return (
    <TypedEarly>
      <TemplateStage favourites={listFavourites()} />
    </TypedEarly>
  )
}
