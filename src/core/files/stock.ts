/** Parts on the shelf as a file may hold them: which kinds there are, and what each must say, is for the benches to declare. */
import { z } from 'zod'
import { STOCK } from '../benches'
import { id as partId, words } from '../document/schemaFields'
import type { StockDefinition, StockNumber, StockWord } from '../document/stock'
import type { Spec } from '../document/types'
import type { FileIssue } from '../document/fileIssue'
import { shapeIssue } from './shape'

/** By the name of the kind: what a list of its parts looks like. */
export const STOCK_SCHEMAS: ReadonlyMap<string, z.ZodType> = new Map(
  Object.entries(STOCK).map(([kind, definition]) => [kind, z.array(partSchema(definition))]),
)

function partSchema({ fields }: StockDefinition): z.ZodType {
  const own = Object.entries(fields).map(([name, field]) => [name, field.optional ? fieldSchema(field).optional() : fieldSchema(field)])
  return z.object({ id: partId, name: words, source: words, ...Object.fromEntries(own) }).strict()
}

function fieldSchema(field: StockNumber | StockWord): z.ZodType {
  if ('options' in field) return z.enum(field.options.map(({ value }) => value))
  let schema = field.isWhole ? z.int() : z.number()
  if (field.isPositive) schema = schema.positive()
  if (field.low !== undefined) schema = schema.min(field.low)
  if (field.high !== undefined) schema = schema.max(field.high)
  return schema
}

/** What is wrong with the parts of a spec: a kind nobody knows, a part that lacks something, two of one id. */
export function stockIssues({ stock }: Spec): FileIssue[] {
  return Object.entries(stock).flatMap(([kind, parts]): FileIssue[] => {
    const path = ['spec', 'stock', kind]
    const schema = STOCK_SCHEMAS.get(kind)
    if (!schema) return [{ code: 'shape', path, detail: 'is a kind of part that no bench has' }]
    const { error } = schema.safeParse(parts)
    const wrong = error?.issues.map(shapeIssue).map((issue): FileIssue => ({ ...issue, path: [...path, ...issue.path] }))
    return [...(wrong ?? []), ...doubles(path, parts)]
  })
}

function doubles(path: readonly string[], parts: readonly { readonly id: string }[]): FileIssue[] {
  return parts.flatMap(({ id }, index) =>
    parts.findIndex((other) => other.id === id) < index ? [{ code: 'doubleId', path: [...path, index, 'id'], id } as const] : [],
  )
}
