'use client'
import { useState, type ComponentType } from 'react'
import { Button } from '@/ui/Button'
import { Row } from '@/ui/Layout'
import type { ToolProps } from './benchView'

/** A button that opens a bench's plan of the pistons, and the plan as it stands. Nothing to plan with one piston. */
export function PlanTool({
  words,
  Panel,
  ...props
}: ToolProps & { words: string; Panel: ComponentType<ToolProps & { onClose: () => void }> }) {
  const [isOpen, setOpen] = useState(false)
  const {
    layout,
    choice: { pistonInBore },
  } = props.build.spec
  if (layout.cylinders === 1) return null
  return (
    <>
      <Row>
        <Button size="small" onPress={() => setOpen(true)}>
          {words}
        </Button>
        {pistonInBore && <span>Planned: {pistonInBore.map((mark, index) => `bore ${index + 1} takes piston ${mark}`).join(', ')}.</span>}
      </Row>
      {isOpen && <Panel {...props} onClose={() => setOpen(false)} />}
    </>
  )
}
