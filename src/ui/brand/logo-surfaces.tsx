'use client'
import { thumbnailUrl } from '@/core/image'
import { logoOn, shownFact, siteScheme } from '@/core/fill'
import { logoBox, planIcon } from '@/core/render'
import { TONES } from '@/core/site'
import { useJobStore } from '../job/job-context'
import { nameLook } from './letter-look'
import { useSite } from '../job/use-site'
import { useBrand } from './use-brand'

/** The logo on every surface at the size it has on desktop, and the icon as a browser and a phone show it. */
export function LogoSurfaces({ dark }: { dark: boolean }) {
  const site = useSite()
  const { brand } = useBrand()
  const scheme = siteScheme(site, dark)
  const name = shownFact(site, 'name').text
  const spelled = nameLook(site)
  return (
    <div className="flex items-stretch gap-4 text-xs">
      <div className="grid min-w-0 flex-1 grid-cols-5" role="group" aria-label="The logo on each surface">
        {TONES.map((tone) => {
          const logo = logoOn(site, tone, dark)
          return (
            <figure
              key={tone}
              className="m-0 flex min-w-0 flex-col justify-between gap-2 border border-s-0 border-ink p-3 first:border-s"
              style={{ background: scheme[tone].surface, color: scheme[tone].text }}
            >
              {logo ? (
                <img
                  src={thumbnailUrl(logo, 400)}
                  alt={`The logo on ${tone}`}
                  width={logoBox(site.document, logo).width}
                  height={logoBox(site.document, logo).height}
                  className="max-w-full object-contain object-left"
                />
              ) : (
                <span className="text-lg leading-tight wrap-anywhere" style={spelled.look}>
                  {spelled.words}
                </span>
              )}
              <figcaption>
                {tone}
                {logo && brand['logo-on-dark'] === logo.id ? ', dark version' : ''}
              </figcaption>
            </figure>
          )
        })}
      </div>
      <IconPreview name={name} />
    </div>
  )
}

/** The icon in a light and a dark tab at its true 16 px, and large on a home screen. */
function IconPreview({ name }: { name: string }) {
  const store = useJobStore()
  const site = useSite()
  const { letters, family, grounds, form } = planIcon(site)
  const asked = new URLSearchParams({ letters, family: family.key, grounds: JSON.stringify(grounds), form })
  const url = `/api/jobs/${store.getState().id}/icon?${asked.toString()}`
  return (
    <div className="flex shrink-0 items-center gap-4" role="group" aria-label="The icon in use">
      <div className="grid gap-2">
        {(['bg-white text-ink', 'bg-ink text-white'] as const).map((look, i) => (
          <div key={look} className={`flex w-44 items-center gap-2 border border-ink px-2 py-1.5 ${look}`}>
            <img src={url} alt={i === 0 ? 'The icon in a light tab' : 'The icon in a dark tab'} width={16} height={16} />
            <span className="truncate">{name}</span>
          </div>
        ))}
        <span className="text-soft">browser tab, true size</span>
      </div>
      <div className="grid justify-items-center gap-1">
        <img
          src={url.replace(`form=${form}`, 'form=square')}
          alt="The icon on a home screen"
          width={60}
          height={60}
          className="rounded-[14px]"
        />
        <span className="max-w-20 truncate">{name}</span>
        <span className="text-soft">home screen</span>
      </div>
    </div>
  )
}
