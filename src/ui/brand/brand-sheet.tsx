import { thumbnailUrl } from '@/core/image'
import { contrastRatio, LEAST_CONTRAST, toOklch } from '@/core/colour'
import { logoOn, shownFact, siteScheme, type Site } from '@/core/fill'
import { familyCss, familyFaces, logoBox, siteFamilies, textStylesOf } from '@/core/render'
import { TEXT_STYLES, TONES, type Role } from '@/core/site'
import { fontFaceCss } from '@/core/type'
import { letterLook, nameLook } from './letter-look'
import { PrintButton } from './print-button'
import { STYLE_WORDS } from './style-words'

const ROLES: readonly (readonly [Role, string])[] = [
  ['text', 'text'],
  ['muted', 'muted'],
  ['heading', 'heading'],
  ['link', 'link'],
  ['mark', 'mark'],
  ['button', 'button'],
  ['button-edge', 'button’s edge'],
  ['rule', 'rule'],
  ['focus', 'focus'],
]

/** The brand on one A4 page: colours with their contrast, the logo on each surface, the type. */
export function BrandSheet({ site }: { site: Site }) {
  const { document } = site
  const { dark } = document.dress
  const scheme = siteScheme(site, dark === true)
  const { display, text, all } = siteFamilies(site)
  const styles = textStylesOf(site)
  const name = shownFact(site, 'name').text
  const spelled = nameLook(site)
  const faces = all.flatMap(familyFaces)
  const colours = (['colour', 'second', 'third'] as const).flatMap((part) =>
    document.brand[part] === undefined ? [] : [document.brand[part]],
  )
  return (
    <main className="min-h-dvh overflow-y-auto py-6 print:min-h-0 print:bg-white print:p-0">
      <style>
        {`${fontFaceCss(faces)}@page{size:A4;margin:12mm}@media print{html,body{background:#fff!important;height:auto!important}}`}
      </style>
      <div className="mx-auto mb-3 flex w-[186mm] items-center justify-between print:hidden">
        <p className="text-soft">One page. Print it, or choose “save as PDF” where the printer is chosen.</p>
        <PrintButton />
      </div>
      <article
        className={
          'mx-auto box-content w-[186mm] bg-white p-[8mm] text-ink shadow-[0_0_0_1px_var(--color-seam)] ' +
          '[print-color-adjust:exact] print:w-auto print:p-0 print:shadow-none print:[zoom:0.86]'
        }
      >
        <header className="flex items-end justify-between gap-6 border-b-2 border-ink pb-3">
          <h1 className="min-w-0 truncate text-2xl leading-tight" style={{ fontFamily: familyCss(display), fontWeight: styles.h1.weight }}>
            {name}
          </h1>
          <p className="shrink-0 text-sm">Brand sheet</p>
        </header>

        <h2 className="mt-4 mb-1.5 text-sm font-bold">Colours</h2>
        {colours.length > 0 && (
          <ul className="mb-3 flex gap-3">
            {colours.map((hex, i) => {
              const { l, c, h } = toOklch(hex)
              return (
                <li key={hex + String(i)} className="flex flex-1 items-center gap-2 text-xs">
                  <span className="block h-12 w-20 border border-seam" style={{ background: hex }} />
                  <span className="font-mono">
                    {hex}
                    <br />
                    rgb({[1, 3, 5].map((at) => Number.parseInt(hex.slice(at, at + 2), 16)).join(' ')})<br />
                    oklch({l.toFixed(3)} {c.toFixed(3)} {Math.round(h)})
                  </span>
                </li>
              )
            })}
          </ul>
        )}
        <div className="grid grid-cols-5 text-xs">
          {TONES.map((tone) => (
            <section
              key={tone}
              className="border border-s-0 border-ink p-2 first:border-s"
              style={{ background: scheme[tone].surface, color: scheme[tone].text }}
            >
              <h3 className="flex justify-between font-bold">
                <span>{tone}</span>
                <span className="font-mono font-normal">{scheme[tone].surface}</span>
              </h3>
              <ul className="mt-1.5 grid gap-1">
                {ROLES.map(([role, words]) => (
                  <li key={role} className="grid grid-cols-[0.8rem_1fr_auto] items-center gap-1.5">
                    <span className="block size-3 border border-current" style={{ background: scheme[tone][role] }} />
                    <span>
                      {words}
                      <span className="block font-mono leading-none">{scheme[tone][role]}</span>
                    </span>
                    <span className="font-mono">
                      {role in LEAST_CONTRAST ? contrastRatio(scheme[tone][role], scheme[tone].surface).toFixed(1) : ''}
                    </span>
                  </li>
                ))}
              </ul>
              <p
                className="mt-2 px-2 py-1 text-center font-semibold"
                style={{
                  background: scheme[tone].button,
                  color: scheme[tone]['button-text'],
                  border: `2px solid ${scheme[tone]['button-edge']}`,
                }}
              >
                button {contrastRatio(scheme[tone].button, scheme[tone]['button-text']).toFixed(1)}
              </p>
            </section>
          ))}
        </div>
        <p className="mt-1 text-xs text-soft">
          Figures are contrast by WCAG 2.2: text needs 4.5, a button’s edge and focus 3.
          {dark === 'visitor' ? ' A dark form is shown to visitors whose system asks for it.' : ''}
        </p>

        <h2 className="mt-4 mb-1.5 text-sm font-bold">Logo</h2>
        <div className="grid grid-cols-5">
          {TONES.map((tone) => {
            const logo = logoOn(site, tone, dark === true)
            const box = logo && logoBox(document, logo)
            return (
              <div
                key={tone}
                className="flex h-16 items-center justify-center overflow-hidden border border-s-0 border-ink p-3 first:border-s"
                style={{ background: scheme[tone].surface, color: scheme[tone].text }}
              >
                {logo && box ? (
                  <img
                    src={thumbnailUrl(logo, 400)}
                    alt={`Logo on ${tone}`}
                    width={box.width}
                    height={box.height}
                    className="max-h-full max-w-full object-contain"
                  />
                ) : (
                  <span className="truncate" style={spelled.look}>
                    {spelled.words}
                  </span>
                )}
              </div>
            )
          })}
        </div>

        <h2 className="mt-4 mb-1.5 text-sm font-bold">Type</h2>
        <p className="mb-2 text-sm">
          Headings in {display.name}; text in {text.name}.{' '}
          <span className="text-soft">
            {display.licence}
            {text.key === display.key ? '' : `; ${text.licence}`}
          </span>
        </p>
        <table className="w-full border-collapse text-xs">
          <thead>
            <tr className="border-b border-ink text-start">
              {['Style', 'Looks', 'Weight', 'Phone', 'Desktop', 'Line', 'Letters'].map((words) => (
                <th key={words} scope="col" className="py-0.5 text-start font-semibold">
                  {words}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {TEXT_STYLES.map((style) => {
              const s = styles[style]
              return (
                <tr key={style} className="border-b border-seam">
                  <th scope="row" className="w-20 text-start font-normal">
                    {STYLE_WORDS[style]}
                  </th>
                  <td
                    className="max-w-0 truncate"
                    style={{ ...letterLook(site, s), fontSize: `${Math.min(20, s.desktop)}px`, lineHeight: 1.2 }}
                  >
                    {name}
                  </td>
                  <td className="w-14 font-mono">{s.weight}</td>
                  <td className="w-16 font-mono">{s.phone} px</td>
                  <td className="w-16 font-mono">{s.desktop} px</td>
                  <td className="w-12 font-mono">{s.line}</td>
                  <td className="w-20 font-mono">{s.spacing} em</td>
                </tr>
              )
            })}
          </tbody>
        </table>
      </article>
    </main>
  )
}
