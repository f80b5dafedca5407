import type { Spec } from '@/core/document'
import type { StepName, WalkStep } from '@/core/walk'
import { Notice } from '@/ui/Page'
import { capital } from '@/wording'

/** Steps at which timing marks are looked at. */
const AT_MARKS: ReadonlySet<StepName> = new Set(['cam.in', 'final.timing', 'heads.timing', 'heads.twoTurns'])

/** What each mark of the drive lines up with, where a step looks at them. */
export function TimingMarks({ step: { source }, drive }: { step: WalkStep; drive: Spec['drive'] }) {
  const marked = (drive?.wheels ?? []).filter(({ marks }) => marks && marks.length > 0)
  if (source.from !== 'handbook' || !AT_MARKS.has(source.name) || marked.length === 0) return null
  return (
    <Notice aria-label="Timing marks">
      {marked.map(({ id, name, marks }) => (
        <span key={id} style={{ display: 'block' }}>
          <b>{capital(name)}:</b> {marks!.join('; ')}
        </span>
      ))}
    </Notice>
  )
}
