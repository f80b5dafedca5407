/** Types of the Build document, derived from its schema. Kept apart so that the browser need not load the schema. */
import type { z } from 'zod'
import type { UnitId } from '../units'
import type { Fuel } from './duty'
import type { PaperKey } from './paper'
import type { buildDocumentSchema } from './schema'
import type { Entry } from './entries/schemas'
import type { gaugeSchema } from './entrySchema'
import type { dutySchema, limitSchema, materialsSchema, paperNumberSchema, shellPairSchema, specSchema } from './specSchema'
import type { plannedSchema, workSchema } from './workSchema'

type WithUnit<T> = Omit<T, 'unit'> & { unit: UnitId }

export type Duty = z.infer<typeof dutySchema>
export type PaperNumber = WithUnit<z.infer<typeof paperNumberSchema>>
export type Limit = z.infer<typeof limitSchema>
export type ShellPair = z.infer<typeof shellPairSchema>
export type Materials = z.infer<typeof materialsSchema>
export type { Methods } from './methods'
export type Work = z.infer<typeof workSchema>
export type Planned = z.infer<typeof plannedSchema>
/** A change of the engine as data: another part or place chosen, or work on metal. */
export type EngineChange =
  | { readonly choose: 'gasket'; readonly id: string }
  | { readonly choose: 'gasketLayers'; readonly ids: readonly string[] }
  | { readonly choose: 'piston'; readonly id: string }
  | { readonly choose: 'pistonInBore'; readonly marks: readonly number[] }
  | { readonly choose: 'shells'; readonly journal: string; readonly pair: ShellPair }
  | { readonly choose: 'paper'; readonly key: PaperKey; readonly value: number; readonly unit: UnitId; readonly source: string }
  | { readonly choose: 'duty'; readonly redlineRpm?: number; readonly boostKpa?: number; readonly fuel?: Fuel }
  | Work
export type Spec = z.infer<typeof specSchema>
export type Gauge = WithUnit<z.infer<typeof gaugeSchema>>
export type { Place } from './place'
export type { Entry } from './entries/schemas'
export type Reading = WithUnit<Extract<Entry, { kind: 'reading' }>>
export type Pull = Extract<Entry, { kind: 'pull' }>
export type StepEntry = Extract<Entry, { kind: 'step' }>
export type ChangeEntry = Extract<Entry, { kind: 'change' }>
export type PartEntry = Extract<Entry, { kind: 'part' }>
export type PartOwner = NonNullable<PartEntry['owner']>
export type DamageEntry = Extract<Entry, { kind: 'damage' }>
export type Joint = NonNullable<Spec['joints']>[number]
export type JointGroup = Joint['groups'][number]
export type JointStage = JointGroup['stages'][number]
export type Note = Extract<Entry, { kind: 'note' }>
export type Skip = Extract<Entry, { kind: 'skip' }>
export type Check = Extract<Entry, { kind: 'check' }>
export type Move = Extract<Entry, { kind: 'move' }>
export type Strike = Extract<Entry, { kind: 'strike' }>
export type BuildDocument = z.infer<typeof buildDocumentSchema>
export type UnitSystem = Spec['units']
