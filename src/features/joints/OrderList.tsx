'use client'
import { GripVertical } from 'lucide-react'
import { Button, GridList, GridListItem, useDragAndDrop } from 'react-aria-components'
import styled from 'styled-components'
import type { Joint, JointGroup } from '@/core/document'
import type { EngineLayout } from '@/core/geometry/crank'
import { reordered } from '@/core/joints'
import { fastenerPlaceWords } from '@/wording'
import { withGroup, type ChangeJoint } from './planEdit'

const List = styled(GridList)`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(220px, 1fr));
  gap: 4px;
  outline: none;
  .react-aria-GridListItem {
    display: flex;
    gap: 8px;
    align-items: center;
    min-height: 40px;
    padding: 0 10px;
    border: 1px solid var(--hairline);
    border-radius: 3px;
    background: var(--raised);
    &[data-dragging] {
      opacity: 0.5;
    }
    &[data-focus-visible] {
      outline: 2px solid var(--scribe);
    }
  }
  .react-aria-DropIndicator[data-drop-target] {
    outline: 2px solid var(--scribe);
  }
  button {
    min-width: 32px;
    min-height: 32px;
    border: 0;
    background: none;
    cursor: grab;
  }
`

/** The order of a group as a list whose lines are dragged, with the mouse, a finger or the keys. */
export function OrderList({
  joint,
  group,
  index,
  layout,
  change,
}: {
  joint: Joint
  group: JointGroup
  index: number
  layout: EngineLayout
  change: ChangeJoint
}) {
  const items = group.order.map((fastener, turn) => ({ id: fastener, turn: turn + 1 }))
  const { dragAndDropHooks } = useDragAndDrop({
    getItems: (keys) => [...keys].map((key) => ({ 'text/plain': String(key) })),
    onReorder: ({ keys, target }) => {
      if (target.dropPosition === 'on') return
      const to = { beside: Number(target.key), where: target.dropPosition }
      const moved = [...keys].map(Number)
      change('order by drag', (now) =>
        withGroup(now, index, { order: [...reordered(now.groups[index]!.order, moved, to)], orderFrom: { source: 'numbered by hand' } }),
      )
    },
  })
  return (
    <List aria-label={`Order of ${group.name}`} items={items} dragAndDropHooks={dragAndDropHooks} layout="grid">
      {(item) => {
        const { id, turn } = item as { id: number; turn: number }
        const where = fastenerPlaceWords(joint, layout, id)
        return (
          <GridListItem id={id} textValue={`${turn}, ${where}`}>
            <Button slot="drag" aria-label={`Move ${turn}`}>
              <GripVertical size={16} aria-hidden />
            </Button>
            <b>{turn}</b> {joint.types.length > 1 && joint.fasteners[id - 1]!.type} {where}
          </GridListItem>
        )
      }}
    </List>
  )
}
