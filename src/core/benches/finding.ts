import type { Build } from '../build/build'
import { judge, type Figure } from '../metrology'
import { doubtBudget } from './doubtBudget'
import type { BenchDefinition, Finding, Missing, Remark } from './bench'

/** A share of the doubt worth naming: one owner has most of it. */
const OWNS_MOST = 0.6

/** What is known, or what is wanted before it can be. */
export type Derived = { readonly figure: Figure; readonly remarks?: readonly Remark[] } | { readonly missing: readonly Missing[] }

export function isKnown(derived: Derived): derived is Extract<Derived, { figure: Figure }> {
  return 'figure' in derived
}

/** Joins several inputs: all known, or everything that is missing. */
export function allOf<Name extends string>(inputs: Readonly<Record<Name, Derived>>):
  | { readonly figures: Record<Name, Figure>; readonly missing?: undefined }
  | { readonly missing: readonly Missing[] } {
  const figures = {} as Record<Name, Figure>
  const missing: Missing[] = []
  for (const name of Object.keys(inputs) as Name[]) {
    const input = inputs[name]
    if (isKnown(input)) figures[name] = input.figure
    else missing.push(...input.missing)
  }
  return missing.length > 0 ? { missing: distinct(missing) } : { figures }
}

/** Judges a derived figure by the build's limit for it and says who owns the doubt when it matters. */
export function finding(
  build: Build, definition: BenchDefinition, output: string, derived: Derived, subject: { cylinder?: number } = {},
): Finding {
  const { cylinder } = subject
  const id = cylinder === undefined ? output : `${output}.${cylinder}`
  const limitKey = definition.outputs[output]?.limit
  const limit = limitKey === undefined ? undefined : build.spec.limits[limitKey]
  if (!isKnown(derived)) return { id, output, cylinder, missing: derived.missing, limit, remarks: [] }
  const { figure } = derived
  const conformity = limit && judge(figure.value, limit, build.spec.methods.rule)
  const remarks = [...(derived.remarks ?? [])]
  if (conformity?.verdict === 'inDoubt') remarks.push(...mainOwner(build, figure))
  return { id, output, cylinder, figure, missing: [], limit, conformity, remarks }
}

/** The gauge or paper number that owns most of the doubt, where one does. */
function mainOwner(build: Build, figure: Figure): Remark[] {
  const first = doubtBudget(build, figure.value)[0]
  return first && first.share >= OWNS_MOST ? [{ code: 'owns', ...first }] : []
}

function distinct(missing: readonly Missing[]): Missing[] {
  return [...new Map(missing.map((item) => [JSON.stringify(item), item])).values()]
}
