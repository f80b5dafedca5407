'use client'
import type { Joint } from '@/core/document'
import { Words } from '@/ui/Words'
import { Section, SectionTitle } from '@/ui/Page'
import { TickLabel } from '@/ui/Layout'
import { Fields } from './GroupFields'
import type { ChangeJoint } from './planEdit'

const LOOKS = { before: 'Look first, each after a ;', after: 'Look last, each after a ;' } as const

/** What has to be true before a joint is torqued, and what somebody looks at before it is called done. */
export function BeforeAfterFields({ joint, joints, change }: { joint: Joint; joints: readonly Joint[]; change: ChangeJoint }) {
  const after = joint.after ?? []
  const others = joints.filter(({ id }) => id !== joint.id)
  const putAfter = (next: string[]) => change('what is tight before', (now) => ({ ...now, after: next.length > 0 ? next : undefined }))
  const putLooks = (name: keyof typeof LOOKS, text: string) => {
    const looks = text.split(';').flatMap((look) => look.trim() || [])
    change(LOOKS[name].toLowerCase(), (now) => ({ ...now, looks: { ...now.looks, [name]: looks.length > 0 ? looks : undefined } }))
  }
  return (
    <Section aria-label="Before and after">
      <SectionTitle>Before and after</SectionTitle>
      <fieldset>
        <legend>Tight before this one is begun</legend>
        {others.map(({ id, name }) => (
          <TickLabel key={id}>
            <input
              type="checkbox"
              checked={after.includes(id)}
              onChange={({ target }) =>
                putAfter(others.flatMap((one) => ((one.id === id ? target.checked : after.includes(one.id)) ? one.id : [])))
              }
            />{' '}
            {name}
          </TickLabel>
        ))}
      </fieldset>
      <Fields>
        {(Object.keys(LOOKS) as (keyof typeof LOOKS)[]).map((name) => (
          <Words key={name} label={LOOKS[name]} value={joint.looks?.[name]?.join('; ') ?? ''} onCommit={(text) => putLooks(name, text)} />
        ))}
      </Fields>
    </Section>
  )
}
