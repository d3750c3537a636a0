'use client'
import { templateOf } from '@/core/fill'
import { allSections, LIMITS, type Shape, pagesOf } from '@/core/site'
import { Choice } from '../parts/choice'
import { NumberField } from '../parts/number-field'
import { count } from '../parts/words'
import { BackToTemplate } from './back-to-template'
import { useSite } from '../job/use-site'
import { useBrand } from './use-brand'

/** Corners, shadow, rules, density, and the form of buttons and fields, for the whole site. */
export function ShapePart() {
  const site = useSite()
  const { brand, set } = useBrand()
  const { shape = {} } = brand
  const template = templateOf(site)
  const change = (next: Shape, gesture?: string): void => set('shape', Object.keys(next).length === 0 ? null : next, gesture)
  const put = <K extends keyof Shape>(part: K, value: NonNullable<Shape[K]>): void => change({ ...shape, [part]: value }, `shape ${part}`)
  const drop = (part: keyof Shape): void => change(Object.fromEntries(Object.entries(shape).filter(([key]) => key !== part)))
  const shadow = shape.shadow
  return (
    <>
      <p className="mb-3 text-sm text-soft">
        Changes {count(allSections(site.document).length, 'section')} on {count(pagesOf(site.document).length, 'page')}. What is not set
        stays {template.name}’s.
      </p>
      <div className="grid gap-2">
        <Part label="Corners" isSet={shape.corner !== undefined} onSet={(on) => (on ? put('corner', 12) : drop('corner'))}>
          <NumberField
            label="Radius"
            unit="px"
            least={LIMITS.corner[0]}
            most={LIMITS.corner[1]}
            step={1}
            value={shape.corner ?? 0}
            onValue={(value) => put('corner', value)}
          />
        </Part>
        <Part
          label="Shadow"
          isSet={shadow !== undefined}
          onSet={(on) => (on ? put('shadow', { x: 0, y: 6, blur: 18, strength: 0.18 }) : drop('shadow'))}
        >
          {shadow && (
            <>
              <NumberField
                label="Across"
                unit="px"
                least={-LIMITS.offset[1]}
                most={LIMITS.offset[1]}
                step={1}
                value={shadow.x}
                onValue={(x) => put('shadow', { ...shadow, x })}
              />
              <NumberField
                label="Down"
                unit="px"
                least={-LIMITS.offset[1]}
                most={LIMITS.offset[1]}
                step={1}
                value={shadow.y}
                onValue={(y) => put('shadow', { ...shadow, y })}
              />
              <NumberField
                label="Blur"
                unit="px"
                least={LIMITS.blur[0]}
                most={LIMITS.blur[1]}
                step={1}
                value={shadow.blur}
                onValue={(blur) => put('shadow', { ...shadow, blur })}
              />
              <NumberField
                label="Strength"
                unit="%"
                least={0}
                most={100}
                step={1}
                value={Math.round(shadow.strength * 100)}
                onValue={(value) => put('shadow', { ...shadow, strength: value / 100 })}
              />
            </>
          )}
        </Part>
        <Part label="Rules" isSet={shape.rule !== undefined} onSet={(on) => (on ? put('rule', 2) : drop('rule'))}>
          <NumberField
            label="Weight"
            unit="px"
            least={LIMITS.rule[0]}
            most={LIMITS.rule[1]}
            step={0.5}
            value={shape.rule ?? 1}
            onValue={(value) => put('rule', value)}
          />
        </Part>
        <NumberField
          label="Spacing"
          unit="×"
          least={LIMITS.density[0]}
          most={LIMITS.density[1]}
          step={0.05}
          value={shape.density ?? 1}
          usual={1}
          onValue={(value) => put('density', value)}
          onUsual={() => drop('density')}
        />
        <Choice
          label="Buttons"
          value={shape.button ?? 'template'}
          options={[
            ['template', 'the template’s'],
            ['square', 'square'],
            ['soft', 'soft'],
            ['round', 'round'],
            ['outline', 'outline'],
            ['underline', 'underline'],
          ]}
          onValue={(value) => (value === 'template' ? drop('button') : put('button', value))}
        />
        <Choice
          label="Fields"
          value={shape.field ?? 'template'}
          options={[
            ['template', 'the template’s'],
            ['box', 'box'],
            ['line', 'line'],
            ['filled', 'filled'],
          ]}
          onValue={(value) => (value === 'template' ? drop('field') : put('field', value))}
        />
      </div>
      <BackToTemplate group="shape" words={`Back to ${template.name}’s own shape`} />
    </>
  )
}

function Part({
  label,
  isSet,
  onSet,
  children,
}: {
  label: string
  isSet: boolean
  onSet: (isSet: boolean) => void
  children: React.ReactNode
}) {
  return (
    <div role="group" aria-label={label} className="grid gap-1.5 border-b border-seam pb-2">
      <Choice
        label={label}
        value={isSet ? 'own' : 'template'}
        options={[
          ['template', 'the template’s'],
          ['own', 'set'],
        ]}
        onValue={(value) => onSet(value === 'own')}
      />
      {isSet && children}
    </div>
  )
}
