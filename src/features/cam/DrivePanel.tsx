'use client'
import { useState } from 'react'
import styled from 'styled-components'
import { driveOf, freeWheelId } from '@/core/benches/cam/camDrive'
import type { Spec } from '@/core/document'
import { camsOf, DRIVE_KINDS, DRIVE_WHEELS, tensionerOnSlackSide, type CamDrive, type DriveWheel } from '@/core/geometry/valvetrain'
import { Button } from '@/ui/Button'
import { ChoiceRow, TextField } from '@/ui/fields'
import { Notice } from '@/ui/Page'
import { SidePanel } from '@/ui/SidePanel'
import { capital, subjectWords } from '@/wording'
import { DRIVE_WHEEL_WORDS, DRIVE_WORDS } from '@/wording/cam'
import type { ToolProps } from '@/features/benchFrame/benchView'
import { Row } from '@/ui/Layout'
import { DrivePicture } from './DrivePicture'

const LEAST_TEETH = 8
const MOST_TEETH = 200
const MOST_WHEELS = 16
const MOST_MARKS = 4
const MOST_MARK_LETTERS = 200

const WheelRow = styled.div`
  display: grid;
  grid-template-columns: 24px 104px 1fr 1fr 66px auto;
  /* Its marks stand below, across the row. */
  > :nth-child(6) {
    grid-column: 2 / -1;
    order: 1;
  }
  gap: 6px;
  align-items: center;
  select,
  input {
    min-height: 40px;
    width: 100%;
    border: 1px solid var(--edge);
    border-radius: 3px;
    background: var(--raised);
    color: var(--ink);
    padding: 0 6px;
  }
  @media (max-width: 560px) {
    grid-template-columns: 24px 1fr 1fr;
  }
`

/** What turns the cams: over which wheels, in the order in which chain or belt runs; kept with the build once it is right. */
export function DrivePanel({ build, edit, onClose }: ToolProps & { onClose: () => void }) {
  const [drive, setDrive] = useState<CamDrive>(() => driveOf(build))
  const put = (change: Partial<CamDrive>) => setDrive((now) => ({ ...now, ...change }))
  const setWheels = (of: (wheels: readonly DriveWheel[]) => readonly DriveWheel[]) =>
    setDrive((now) => ({ ...now, wheels: of(now.wheels) }))
  const trouble = troubleOf(drive)
  const keep = () => {
    void edit.change('the drive of the cams', (spec) => ({ ...spec, drive: drive as Spec['drive'] }))
    onClose()
  }
  return (
    <SidePanel title="The drive of the cams" isOpen onClose={onClose}>
      <DriveChoices drive={drive} put={put} />
      <DrivePicture drive={drive} rotation={build.spec.layout.rotation} />
      <p>
        Every wheel in the order in which it runs over them, from the crank in the running direction. The strand that comes back to the
        crank is pulled; the one that leaves it is slack, and there the tensioner belongs.
      </p>
      {drive.wheels.map((wheel, index) => (
        <Wheel
          key={wheel.id}
          number={index + 1}
          wheel={wheel}
          cams={camsOf(build.spec.layout)}
          put={(change) => setWheels((wheels) => wheels.map((one, at) => (at === index ? { ...one, ...change } : one)))}
          earlier={() => setWheels((wheels) => swapped(wheels, index))}
          remove={() => setWheels((wheels) => wheels.filter((_, at) => at !== index))}
        />
      ))}
      <Row>
        <Button
          size="small"
          isDisabled={drive.wheels.length >= MOST_WHEELS}
          onPress={() => setWheels((wheels) => [...wheels, { id: freeWheelId(build, wheels), what: 'idler', name: 'idler' }])}
        >
          Another wheel
        </Button>
        <Button kind="primary" isDisabled={trouble !== ''} onPress={keep}>
          Keep the drive
        </Button>
      </Row>
      {trouble !== '' && <Notice role="alert">{trouble}</Notice>}
      <Cautions neverBack={drive.neverBack} />
    </SidePanel>
  )
}

function DriveChoices({ drive, put }: { drive: CamDrive; put: (change: Partial<CamDrive>) => void }) {
  return (
    <>
      <ChoiceRow
        label="By"
        value={drive.kind}
        onChange={(kind) => put({ kind })}
        options={DRIVE_KINDS.map((value) => ({ value, label: DRIVE_WORDS[value] }))}
      />
      <ChoiceRow
        label="Turned back"
        value={drive.neverBack ? 'never' : 'may'}
        onChange={(may) => put({ neverBack: may === 'never' })}
        options={[
          { value: 'may', label: 'It may be' },
          { value: 'never', label: 'Never: it jumps its ratchet' },
        ]}
      />
    </>
  )
}

function Cautions({ neverBack }: { neverBack: boolean }) {
  return (
    <p>
      {neverBack
        ? 'Never turn it back, not by a degree: passed an angle, go round again. TDC by equal drops. '
        : 'Turned back, slack goes to the wrong side: come to every angle in the running direction. '}
      After fitting, two full turns by hand in the running direction, and the marks again.
    </p>
  )
}

function swapped(wheels: readonly DriveWheel[], index: number): readonly DriveWheel[] {
  if (index === 0) return wheels
  return [...wheels.slice(0, index - 1), wheels[index]!, wheels[index - 1]!, ...wheels.slice(index + 1)]
}

/** What cannot be a drive; nothing where it can. */
function troubleOf(drive: CamDrive): string {
  const count = (what: DriveWheel['what']) => drive.wheels.filter((wheel) => wheel.what === what).length
  if (count('crank') !== 1 || drive.wheels[0]?.what !== 'crank') return 'It begins at the crank, and there is one.'
  if (count('cam') === 0) return 'It turns at least one cam.'
  if (drive.wheels.some(({ name }) => name.trim() === '')) return 'Every wheel has a name.'
  const odd = drive.wheels.find(({ teeth }) => teeth !== undefined && !(teeth >= LEAST_TEETH && teeth <= MOST_TEETH))
  if (odd) return `${capital(odd.name)}: teeth from ${LEAST_TEETH} to ${MOST_TEETH}.`
  const marked = drive.wheels.find(({ marks = [] }) => marks.length > MOST_MARKS || marks.some((mark) => mark.length > MOST_MARK_LETTERS))
  if (marked) return `${capital(marked.name)}: ${MOST_MARKS} marks at most, each of ${MOST_MARK_LETTERS} letters at most.`
  if (tensionerOnSlackSide(drive) === false && drive.kind !== 'gears')
    return 'The tensioner stands on the pulled strand: it belongs between the crank and the first cam.'
  return ''
}

/** Marks as they are typed, a semicolon between; none where nothing is. */
function marksIn(text: string): readonly string[] | undefined {
  const marks = text
    .split(';')
    .map((mark) => mark.trim())
    .filter(Boolean)
  return marks.length > 0 ? marks : undefined
}

interface WheelProps {
  readonly number: number
  readonly wheel: DriveWheel
  readonly cams: ReturnType<typeof camsOf>
  readonly put: (change: Partial<DriveWheel>) => void
  readonly earlier: () => void
  readonly remove: () => void
}

function Wheel({ number, wheel, cams, put, earlier, remove }: WheelProps) {
  const title = `Wheel ${number}`
  return (
    <WheelRow>
      <b>{number}</b>
      <select
        aria-label={`${title}, what it is`}
        value={wheel.what}
        onChange={({ target }) => {
          const what = DRIVE_WHEELS.find((one) => one === target.value)!
          put({ what, name: DRIVE_WHEEL_WORDS[what].toLowerCase(), cam: undefined })
        }}
      >
        {DRIVE_WHEELS.map((what) => (
          <option key={what} value={what}>
            {DRIVE_WHEEL_WORDS[what]}
          </option>
        ))}
      </select>
      <TextField quiet label={`${title}, name`} value={wheel.name} onChange={(name) => put({ name })} maxLength={40} />
      {wheel.what === 'cam' ? (
        <select
          aria-label={`${title}, which cam`}
          value={wheel.cam ?? ''}
          onChange={({ target }) => put({ cam: cams.find((cam) => cam === target.value) })}
        >
          <option value="">not said</option>
          {cams.map((cam) => (
            <option key={cam} value={cam}>
              {capital(subjectWords({ cam }))}
            </option>
          ))}
        </select>
      ) : (
        <span />
      )}
      <input
        aria-label={`${title}, teeth`}
        placeholder="teeth"
        inputMode="numeric"
        value={wheel.teeth ?? ''}
        onChange={({ target }) => put({ teeth: /^\d+$/.test(target.value) ? Number(target.value) : undefined })}
      />
      <Marks title={title} wheel={wheel} put={put} />
      <Row>
        <Button size="small" aria-label={`${title}, one earlier`} isDisabled={number <= 2} onPress={earlier}>
          ↑
        </Button>
        <Button size="small" aria-label={`${title}, take out`} isDisabled={number === 1} onPress={remove}>
          ×
        </Button>
      </Row>
    </WheelRow>
  )
}

/** What each mark of a wheel lines up with, at number one’s top. */
function Marks({ title, wheel, put }: { title: string } & Pick<WheelProps, 'wheel' | 'put'>) {
  const [typed, setTyped] = useState(wheel.marks?.join('; ') ?? '')
  return (
    <TextField
      quiet
      label={`${title}, its marks and what each lines up with; a semicolon between`}
      placeholder={wheel.what === 'crank' ? 'dot with the cover’s edge; link with the dot' : 'marks: what they line up with'}
      value={typed}
      onChange={(text) => {
        setTyped(text)
        put({ marks: marksIn(text) })
      }}
      maxLength={(MOST_MARK_LETTERS + 2) * (MOST_MARKS + 1)}
    />
  )
}
