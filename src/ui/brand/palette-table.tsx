'use client'
import { Popover } from 'radix-ui'
import { memo, useDeferredValue } from 'react'
import { usageOfTone } from '@/core/brand'
import { brandMoves, contrastRatio, LEAST_CONTRAST, moveBetween, type Scheme } from '@/core/colour'
import { siteScheme, type Site } from '@/core/fill'
import { TONES, type Role, type Tone } from '@/core/site'
import { ColourInput, useColourInput } from '../fields/colour-input'
import { Button } from '../parts/button'
import { Field } from '../parts/field'
import { count } from '../parts/words'
import { useSite } from '../job/use-site'
import { useBrand } from './use-brand'
import { Panel } from '../parts/panel'

/** The roles as they are read, from the ground up. */
const SHOWN: readonly { readonly role: Role; readonly name: string }[] = [
  { role: 'surface', name: 'surface' },
  { role: 'plane', name: 'plane' },
  { role: 'text', name: 'text' },
  { role: 'muted', name: 'muted text' },
  { role: 'heading', name: 'heading' },
  { role: 'link', name: 'link' },
  { role: 'mark', name: 'mark' },
  { role: 'stripe', name: 'stripe' },
  { role: 'button', name: 'button' },
  { role: 'button-text', name: 'button text' },
  { role: 'button-edge', name: 'button’s edge' },
  { role: 'rule', name: 'rule' },
  { role: 'focus', name: 'focus ring' },
]

/** The least that WCAG 2.2 asks of a role (1.4.3, 1.4.11); null of grounds and rules. */
function leastOf(role: Role): number | null {
  const least = (LEAST_CONTRAST as Partial<Record<Role, number>>)[role]
  return least === undefined ? null : Math.floor(least * 10) / 10
}

/** What a role is read against: text on a button stands on the button. */
function groundOf(scheme: Scheme, tone: Tone, role: Role): string {
  return role === 'button-text' ? scheme[tone].button : scheme[tone].surface
}

/** Where the client's colours had to be moved to be read, and by how many points of lightness. */
function movedWords(moves: ReturnType<typeof brandMoves>): string {
  if (moves.length === 0) return ''
  const by = (points: number): string => (points === 0 ? 'by a hair' : `${points > 0 ? '+' : '−'}${Math.abs(points)}`)
  const each = moves.map(({ tone, role, lightness }) => `${role} on ${tone} ${by(lightness)}`)
  return `Moved to be read: ${each.join(', ')} points of lightness.`
}

/**
 * What the scheme gives each role on each tone, with its contrast there; each can be set by hand. The sheets are drawn
 * first, then the figures.
 */
export function PaletteTable({ dark }: { dark: boolean }) {
  return <Figures site={useDeferredValue(useSite())} dark={dark} />
}

const Figures = memo(function Figures({ site, dark }: { site: Site; dark: boolean }) {
  const { brand } = site.document
  const scheme = siteScheme(site, dark)
  const own = new Set([brand.colour, brand.second, brand.third].filter((c) => c !== undefined))
  return (
    <table className="w-full table-fixed border-collapse text-xs">
      <caption className="pb-1 text-start text-sm font-bold">
        Contrast on each tone{' '}
        <span className="font-normal text-soft">
          — text needs 4.5, controls 3; ● the client’s colour as it is; ✎ set by hand. Press a figure to set it.{' '}
          {movedWords(brandMoves(scheme, brand))}
        </span>
      </caption>
      <thead>
        <tr>
          <th scope="col" className="w-24 text-start font-medium text-soft">
            Role
          </th>
          {TONES.map((tone) => (
            <th
              key={tone}
              scope="col"
              className="px-2 py-0.5 text-start font-semibold"
              style={{
                background:
                  scheme[tone].end === scheme[tone].surface
                    ? scheme[tone].surface
                    : `linear-gradient(90deg,${scheme[tone].surface},${scheme[tone].end})`,
                color: scheme[tone].text,
              }}
            >
              {tone}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {SHOWN.map(({ role, name }) => (
          <tr key={role}>
            <th scope="row" className="text-start font-medium">
              {name}
            </th>
            {TONES.map((tone) => (
              <td key={tone} className="p-0 font-mono" style={{ background: scheme[tone].surface, color: scheme[tone].text }}>
                <RoleCell
                  role={role}
                  name={name}
                  tone={tone}
                  dark={dark}
                  scheme={scheme}
                  isOwn={own.has(scheme[tone][role])}
                  isByHand={brand.roles?.[`${dark ? 'dark' : 'light'}/${tone}/${role}`] !== undefined}
                />
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  )
})

type CellProps = {
  readonly role: Role
  readonly name: string
  readonly tone: Tone
  readonly dark: boolean
  readonly scheme: Scheme
  readonly isOwn: boolean
  readonly isByHand: boolean
}

function RoleCell({ role, name, tone, dark, scheme, isOwn, isByHand }: CellProps) {
  const colour = scheme[tone][role]
  const least = leastOf(role)
  const ratio = contrastRatio(colour, groundOf(scheme, tone, role))
  const reads = least === null ? colour : `${ratio.toFixed(1)}, ${ratio >= least ? 'passes' : 'fails'}`
  const whose = `${isOwn ? ', the client’s colour as it is' : ''}${isByHand ? ', set by hand' : ''}`
  return (
    <Popover.Root>
      <Popover.Trigger
        className="block w-full px-2 py-0.5 text-start -outline-offset-2 hover:underline"
        aria-label={`${name} on ${tone}: ${reads}${whose}`}
      >
        <span className="me-1.5 inline-block size-2.5 border border-current align-middle" style={{ background: colour }} aria-hidden />
        {least === null ? colour.slice(1) : ratio.toFixed(1)}
        {isOwn ? ' ●' : ''}
        {isByHand ? ' ✎' : ''}
      </Popover.Trigger>
      <Panel side="top" className="w-80 p-3 text-base" aria-label={`${name} on ${tone}`}>
        <RoleEditor role={role} name={name} tone={tone} dark={dark} />
      </Panel>
    </Popover.Root>
  )
}

function RoleEditor({ role, name, tone, dark }: Omit<CellProps, 'scheme' | 'isOwn' | 'isByHand'>) {
  const site = useSite()
  const { brand, set } = useBrand()
  const key = `${dark ? 'dark' : 'light'}/${tone}/${role}` as const
  const asked = brand.roles?.[key]
  const scheme = siteScheme(site, dark)
  const drawn = scheme[tone][role]
  const ground = groundOf(scheme, tone, role)
  const least = leastOf(role)
  const change = (hex: string | null): void => {
    const rest = Object.fromEntries(Object.entries(brand.roles ?? {}).filter(([k]) => k !== key))
    const roles = hex === null ? rest : { ...rest, [key]: hex }
    set('roles', Object.keys(roles).length === 0 ? null : roles, `role ${key}`)
  }
  const input = useColourInput(asked, change)
  const move = asked === undefined ? null : moveBetween(asked, drawn)
  const reach = usageOfTone(site, tone)
  return (
    <div className="grid gap-2">
      <p className="font-bold">
        {name} on {tone}
      </p>
      <p className="text-sm text-soft">
        {reach.places === 0
          ? `No section is on ${tone} yet.`
          : `Changes ${count(reach.places, 'section')} on ${count(reach.pages, 'page')}.`}
      </p>
      <Field label="By hand" fault={input.fault} hint={asked === undefined ? `now computed: ${drawn}` : undefined}>
        {(control) => <ColourInput input={input} value={asked} control={control} label="By hand" pick="Pick it" />}
      </Field>
      {least !== null && (
        <p className="text-sm" role="status">
          {asked === undefined || move === null ? (
            <>
              {contrastRatio(drawn, ground).toFixed(2)}:1, needs {least}. It passes.
            </>
          ) : (
            <>
              {asked} reaches {contrastRatio(asked, ground).toFixed(2)}:1 and needs {least}, on the plane too. The nearest that passes is
              drawn: <span className="inline-block size-3 border border-ink align-middle" style={{ background: drawn }} aria-hidden />{' '}
              {drawn}, {contrastRatio(drawn, ground).toFixed(2)}:1, {Math.abs(move.lightness)} points{' '}
              {move.lightness < 0 ? 'darker' : 'lighter'}.{' '}
              <button type="button" className="underline" onClick={() => change(drawn)}>
                Keep {drawn}
              </button>
            </>
          )}
        </p>
      )}
      <Button disabled={asked === undefined} onClick={() => change(null)}>
        Back to the computed colour
      </Button>
    </div>
  )
}
