'use client'
import { contrastRatio, makeScheme, type BrandColours, type Role, type SchemeSpec } from '@/core/colour'
import { TONES } from '@/core/site'

/** The roles worth reading as figures, and the least contrast WCAG 2.2 asks of each on its surface (1.4.3, 1.4.11). */
const SHOWN: readonly { readonly role: Role; readonly name: string; readonly least: number }[] = [
  { role: 'text', name: 'text', least: 4.5 }, { role: 'muted', name: 'muted text', least: 4.5 }, { role: 'link', name: 'link', least: 4.5 },
  { role: 'mark', name: 'mark', least: 4.5 }, { role: 'button', name: 'button', least: 3 }, { role: 'focus', name: 'focus ring', least: 3 },
]

/** What the scheme gives each role on each tone, with its contrast there; a brand colour that was used as it is stands out. */
export function PaletteTable({ spec, brand, dark }: { spec: SchemeSpec; brand: BrandColours; dark: boolean }) {
  const scheme = makeScheme(spec, brand, dark)
  const own = new Set([brand.colour, brand.second, brand.third].filter((c) => c !== undefined))
  return (
    <div className="shrink-0 overflow-x-auto border-t border-seam bg-cloth px-4 py-2">
      <table className="w-full table-fixed border-collapse text-xs">
        <caption className="pb-1 text-start text-sm font-bold">Contrast on each tone <span className="font-normal text-soft">— text needs 4.5, controls 3; ● is the client’s colour as it is</span></caption>
        <thead><tr><th scope="col" className="w-24 text-start font-medium text-soft">Role</th>{TONES.map((tone) => <th key={tone} scope="col" className="px-2 py-1 text-start font-semibold" style={{ background: scheme[tone].surface, color: scheme[tone].text }}>{tone}</th>)}</tr></thead>
        <tbody>
          {SHOWN.map(({ role, name, least }) => (
            <tr key={role}>
              <th scope="row" className="py-0.5 text-start font-medium">{name}</th>
              {TONES.map((tone) => {
                const { surface, [role]: colour } = scheme[tone]
                const ratio = contrastRatio(colour, surface)
                return (
                  <td key={tone} className="px-2 py-0.5 font-mono" style={{ background: surface, color: scheme[tone].text }}>
                    <span className="me-1.5 inline-block size-2.5 border border-current align-middle" style={{ background: colour }} aria-hidden />
                    {ratio.toFixed(1)}{own.has(colour) ? ' ●' : ''}<span className="sr-only">{ratio >= least ? ', passes' : ', fails'}</span>
                  </td>
                )
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}
