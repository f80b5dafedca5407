'use client'
import { useMemo, useState } from 'react'
import styled from 'styled-components'
import { dropOnDial, liftOnDial } from '@/core/benches/cam/twin'
import { openBuildWith, type Build } from '@/core/document'
import { camsOf, type Cam } from '@/core/geometry/valvetrain'
import { randomStream, seedOf } from '@/core/numerics/random'
import { virtualEngine } from '@/core/benches/virtualEngine'
import { turnedTo, type Turning } from '@/core/twin'
import { Button } from '@/ui/Button'
import { ChoiceRow } from '@/ui/fields'
import { capital, subjectWords } from '@/wording'
import { Row } from '@/ui/Layout'
import { WheelFace } from './WheelFace'

/** A cam nobody knows yet stands within so many degrees of its card. */
const LATE_DEG = 5
const RANGE_DEG = 360
const STEP_DEG = 0.5
const START: Turning = { crankDeg: -RANGE_DEG, camDeg: -RANGE_DEG }

const Dials = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 16px;
  align-items: center;
  > svg {
    width: 190px;
    height: 190px;
  }
`
const Turn = styled.input`
  width: 100%;
  min-height: 48px;
  accent-color: var(--scribe);
`

/**
 * An engine of this build's paper with its cams set anyhow: turned by the slider or its arrow keys, read off wheel and dial, and typed
 * in below like any other. Turned back, the chain has slack.
 */
export function VirtualEngine({ build }: { build: Build }) {
  const cams = camsOf(build.spec.layout)
  const [on, setOn] = useState<Cam | 'piston'>('piston')
  const [seed, setSeed] = useState(1)
  const [turning, setTurning] = useState(START)
  const hand = useMemo(() => handOf(build, seed), [build, seed])
  const shownMm = on === 'piston' ? dropOnDial(hand, turning.crankDeg) : liftOnDial(hand, on, turning.camDeg)
  const isBack = turning.camDeg > turning.crankDeg
  return (
    <section aria-label="A virtual engine">
      <ChoiceRow
        label="The dial stands on"
        value={on}
        onChange={setOn}
        options={[
          { value: 'piston', label: 'Piston, below its top' },
          ...cams.map((value) => ({ value, label: capital(subjectWords({ cam: value })) })),
        ]}
      />
      <Dials>
        <WheelFace deg={turning.crankDeg} />
        <Dial mm={shownMm} />
        <p aria-live="polite">
          Wheel <b>{turning.crankDeg.toFixed(1)}°</b>, dial <b>{shownMm.toFixed(2)} mm</b>
          {isBack && on !== 'piston' && <> · turned back: the slack is on this side, what is read now is not what runs</>}
        </p>
      </Dials>
      <Turn
        type="range"
        aria-label="Turn the crank"
        min={-RANGE_DEG}
        max={RANGE_DEG}
        step={STEP_DEG}
        value={turning.crankDeg}
        onChange={({ target }) => setTurning((now) => turnedTo(now, Number(target.value)))}
      />
      <Row>
        <Button
          size="small"
          onPress={() => {
            setSeed((now) => now + 1)
            setTurning(START)
          }}
        >
          Another engine
        </Button>
        <span>Its cams are set anyhow and its wheel is a little off: find out, and type what you read below.</span>
      </Row>
    </section>
  )
}

/** Cams within a few degrees of their card, another engine another way. */
function handOf({ spec }: Build, seed: number) {
  const random = randomStream(seedOf(seed))
  const late = camsOf(spec.layout).map((_, index): readonly [number, number] => [index + 1, LATE_DEG * (2 * random.uniform() - 1)])
  return {
    engine: virtualEngine(spec, { camLateDeg: Object.fromEntries(late) }, seed),
    spec,
    unread: openBuildWith({ id: 'virtual', spec, gauges: [], entries: [] }, {}),
    random,
    buretteLevelCm3: 0,
  }
}

const DIAL = 100
const MIDDLE = DIAL / 2
const NEEDLE = 36
const MM_A_TURN = 1
const TURNS_PER_FACE = 10

/** A dial of one millimetre a turn, with a small hand for the turns. */
function Dial({ mm }: { mm: number }) {
  const hand = (share: number, length: number) => {
    const turned = 2 * Math.PI * share
    return { x2: MIDDLE + length * Math.sin(turned), y2: MIDDLE - length * Math.cos(turned) }
  }
  return (
    <svg viewBox={`0 0 ${DIAL} ${DIAL}`} role="img" aria-label={`Dial, ${mm.toFixed(2)} mm`}>
      <circle cx={MIDDLE} cy={MIDDLE} r={46} fill="var(--raised)" stroke="var(--dye)" strokeWidth={1.5} />
      {Array.from({ length: 50 }, (_, index) => {
        const inner = index % 5 === 0 ? 38 : 42
        const [from, to] = [hand(index / 50, inner), hand(index / 50, 45)]
        return (
          <line key={index} x1={from.x2} y1={from.y2} x2={to.x2} y2={to.y2} stroke="var(--dye)" strokeWidth={index % 5 === 0 ? 1 : 0.5} />
        )
      })}
      <line x1={MIDDLE} y1={MIDDLE} {...hand(mm / MM_A_TURN / TURNS_PER_FACE, 16)} stroke="var(--ink)" strokeWidth={2.5} />
      <line x1={MIDDLE} y1={MIDDLE} {...hand(mm / MM_A_TURN, NEEDLE)} stroke="var(--scribe)" strokeWidth={1.5} />
      <circle cx={MIDDLE} cy={MIDDLE} r={2.5} fill="var(--ink)" />
    </svg>
  )
}
