import type { BuildDocument } from '@/core/document'
import type { MonteCarloResult } from '@/core/metrology'
import type { BenchId, JudgedAdvice } from '@/core/benches'
import type { PlannerResult } from '@/core/benches/compression'
import type { PhasingMap } from '@/core/benches/clearance'
import type { RefitOfCam } from '@/core/benches/cam'
import type { OutOfStep, OutOfStepQuestion } from '@/core/benches/clearance/outOfStep'
import type { ButtingResult } from '@/core/benches/rings'
import type { Cam } from '@/core/geometry/valvetrain'
import type { Effect, Question, SearchResult, Settings } from '@/core/whatIf'
import type { CsvReport } from '@/core/files'

/** What the compression worker does. Arguments and answers are plain data. */
export interface CompressionWorker {
  /** Random draws of every known cylinder's ratio; calls `onProgress` between slices with the draws done. */
  drawRatios(
    document: BuildDocument,
    draws: number,
    seed: number,
    onProgress: (done: number) => void,
  ): Promise<Omit<RatioDraws, 'elapsedMs'>>
  plan(document: BuildDocument): Promise<JudgedPlans>
}

/** What the planner found, and its plans as every bench judges them. */
export interface JudgedPlans {
  readonly result: PlannerResult
  readonly plans: readonly JudgedAdvice[]
}

/** What the adviser does. */
export interface AdviceWorker {
  advise(document: BuildDocument, bench: BenchId): Promise<readonly JudgedAdvice[]>
}

/** What the cam worker does. */
export interface CamWorker {
  refit(document: BuildDocument, count: number, seed: number, onProgress: (done: number) => void): Promise<readonly RefitOfCam[]>
  /** Undefined where numbers on paper are wanted. */
  outOfStep(document: BuildDocument, question: OutOfStepQuestion): Promise<OutOfStep | undefined>
}

/** What the clearance worker does. */
export interface ClearanceWorker {
  /** Random draws of every known valve's closest approach; calls `onProgress` between slices with the draws done. */
  drawClosest(document: BuildDocument, draws: number, seed: number, onProgress: (done: number) => void): Promise<ClosestDraws>
  /** Undefined where numbers on paper, or the cams, are wanted. */
  mapPhasing(document: BuildDocument, intake: Cam, exhaust: Cam): Promise<PhasingMap | undefined>
}

export interface ClosestDraws {
  readonly valves: readonly string[]
  readonly results: readonly MonteCarloResult[]
}

/** What the what-if worker does. */
export interface WhatIfWorker {
  search(document: BuildDocument, question: Question, onProgress: (done: number) => void): Promise<FoundVariants>
  /** The knob that moves the finding most first. */
  sensitivity(document: BuildDocument, settings: Settings, findingId: string): Promise<readonly Effect[]>
}

/** What a search found, as settings: whoever shows them works them out for himself. */
export interface FoundVariants extends Omit<SearchResult, 'front'> {
  readonly settings: readonly Settings[]
}

/** What the reader of tables does. */
export interface CsvWorker {
  read(document: BuildDocument, text: string, asCopy: boolean): Promise<CsvReport>
}

/** What the ring worker does. */
export interface RingsWorker {
  drawButting(document: BuildDocument, draws: number, seed: number, onProgress: (done: number) => void): Promise<readonly ButtingResult[]>
}

export interface RatioDraws {
  readonly cylinders: readonly number[]
  readonly results: readonly MonteCarloResult[]
  readonly elapsedMs: number
}
