/** Joints: where their fasteners stand, how they are pulled, and what became of every pull. */
export { middleOf, type Position } from './pattern'
export { centreOut, spiral, type OrderIssue } from './sequence'
export { fromMemory, planIssues, runRefusals, stagesOf, USUAL_SHARES, wrenchFor, type PlanIssue, type RunRefusal } from './plan'
export { leftOut, restMs, runsOf, stepsOf, USUAL_PULL_MS, type Run, type RunWay, type Step } from './run'
export { jointsOf } from './usual'
