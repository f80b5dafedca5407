import { crankStopOf, wrenchFor, type Run, type RunWay, type Step } from '@/core/joints'
import { fastenerPlaceWords, pullWords, stageFigure } from '@/wording'
import { About, Caption, Figure, Unit, Which } from './runLayout'
import type { RunPanelProps } from './runProps'
import { turnsOf } from '@/core/joints/turns'
import { Stack } from '@/ui/Layout'

/** The pull that is next: its figure as large as it goes, which fastener, where it stands, and by which wrench. */
export function NextPull({ joint, layout, run, next, system }: RunPanelProps & { next: Step }) {
  const { value, unit } = stageFigure(next.pull, system)
  const turns = turnsOf(joint)
  const after = run!.steps.find((step) => step !== next && !run!.done.has(step))
  const where = fastenerPlaceWords(joint, layout, next.fastener)
  const wrench = next.pull.pull === 'torque' ? wrenchFor(joint.wrenches ?? [], next.pull.nm) : undefined
  return (
    <>
      <Stack aria-live="polite" $gap={14}>
        <Caption>{headWords(next, run!.way)}</Caption>
        <Figure data-words={next.pull.pull === 'snug' || next.pull.pull === 'witnessMark' || undefined}>
          {run!.way === 'loosen' ? 'loosen' : value}
        </Figure>
        {(next.pull.pull === 'torque' || next.pull.pull === 'angle') && (
          <Unit>
            {unit} <span>{swingWords(next, run!.way)}</span>
          </Unit>
        )}
        <Which>
          Fastener {turns[next.fastener - 1]}
          {joint.types.length > 1 && `, type ${joint.fasteners[next.fastener - 1]!.type}`}
          <small>
            {where && `${where}. `}
            {after && after.stage === next.stage ? `Then ${turns[after.fastener - 1]}.` : 'Last of this stage.'}
          </small>
        </Which>
      </Stack>
      <CrankStop joint={joint} run={run!} next={next} />
      {run!.isShort && (
        <About role="alert">
          <b>Stopped short:</b> {next.pull.pull === 'angle' ? CARRY_ON : 'back it off and pull again, in one swing.'}
        </About>
      )}
      <About>
        {wrench && (
          <>
            Wrench <b>{wrench.name}</b>
            <br />
          </>
        )}
        Last <b>{pullWords(run!.last, turns)}</b>
        {run!.last.angleDeg !== undefined && ` · ${Math.round(run!.last.angleDeg)}°`}
      </About>
    </>
  )
}

/** Backed off, the angle already turned would be lost. */
const CARRY_ON = 'do not back it off. Carry on to the full angle, then say it is torqued.'

function swingWords({ pull }: Step, way: RunWay): string {
  if (way === 'verify') return 'it must not move'
  return pull.pull === 'torque' ? 'one swing' : 'from where it stands'
}

/** Where the crank has to stand, said aloud where it has to be turned there first. */
function CrankStop({ joint, run, next }: Pick<RunPanelProps, 'joint'> & { run: Run; next: Step }) {
  const stop = crankStopOf(joint, next.fastener)
  if (stop === undefined) return null
  const before = crankStopOf(joint, run.last.fastener)
  return before === stop ? (
    <About>Crank stays at {stop}°.</About>
  ) : (
    <About role="alert">
      <b>Turn the crank to {stop}° after 1’s top</b>, fingers clear.
    </About>
  )
}

function headWords({ pull, backOffFirst }: Step, way: RunWay): string {
  if (way === 'loosen') return 'Out, a little at a time'
  if (pull.pull === 'witnessMark') return 'Still in line:'
  if (way === 'verify') return 'Check at'
  if (backOffFirst) return 'Back it off, then pull to'
  if (pull.pull === 'snug') return 'Run down until it is'
  return pull.pull === 'torque' ? 'Pull to' : 'Turn'
}
