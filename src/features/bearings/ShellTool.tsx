'use client'
import { useMemo, useState } from 'react'
import { journalName, journalsOf, selectShells, withShells, type Journal, type ShellSelection } from '@/core/benches/bearings'
import { definition } from '@/core/benches/bearings/definition'
import { Button } from '@/ui/Button'
import { Table } from '@/ui/Table'
import { figureWords, plainWords } from '@/wording'
import type { ToolProps } from '@/features/benchFrame/benchView'
import { lazyPart } from '@/ui/lazyPart'
import { Row } from '@/ui/Layout'

const SidePanel = lazyPart(() => import('@/ui/SidePanel').then((module) => module.SidePanel))

const TITLES: Readonly<Record<Journal['kind'], string>> = { main: 'Main shells from stock', rod: 'Rod shells from stock' }

/** Shells chosen journal by journal from what is on the shelf: which half goes where, and what is to be bought. */
export function ShellTool({ build, system, edit }: ToolProps) {
  const [kind, setKind] = useState<Journal['kind']>()
  const selection = useMemo(() => (kind ? selectShells(build, kind) : undefined), [build, kind])
  return (
    <>
      <Row>
        <Button size="small" onPress={() => setKind('main')}>
          Choose main shells
        </Button>
        <Button size="small" onPress={() => setKind('rod')}>
          Choose rod shells
        </Button>
      </Row>
      {kind && (
        <SidePanel title={TITLES[kind]} isOpen onClose={() => setKind(undefined)}>
          {!selection && (
            <p>
              Every {kind === 'main' ? 'main' : 'rod'} clearance has to be read, a limit set, and shells in stock (on the paper page),
              before shells can be chosen.
            </p>
          )}
          {selection && (
            <>
              <Selection selection={selection} system={system} />
              <Row>
                <Button kind="primary" onPress={() => edit.change(`${kind} shells chosen`, () => withShells(build, selection).spec)}>
                  Take this plan
                </Button>
                {journalsOf(build, kind).some((journal) => build.spec.choice.shells?.[journalName(journal)]) && (
                  <Button
                    onPress={() =>
                      edit.change(`${kind} shells: standard`, (spec) => ({
                        ...spec,
                        choice: {
                          ...spec.choice,
                          shells: Object.fromEntries(
                            Object.entries(spec.choice.shells ?? {}).filter(([name]) => !name.startsWith(`${kind}.`)),
                          ),
                        },
                      }))
                    }
                  >
                    Back to standard halves
                  </Button>
                )}
              </Row>
              <p>
                The plan counts until a journal is measured again with the new shells in it; the new reading then speaks for itself. An X
                half is never paired with an undersize one.
              </p>
            </>
          )}
        </SidePanel>
      )}
    </>
  )
}

function Selection({ selection, system }: { selection: ShellSelection; system: ToolProps['system'] }) {
  const { kind, choices, toBuy, lands, targetMm } = selection
  const shown = definition.outputs['bearings.mainClearance']
  return (
    <>
      <p>
        Nearest to {plainWords(targetMm, shown, system)}, then least spread, then the fewest halves to buy.
        {!lands && ' Nothing on the list lands every journal inside its limit: this is the nearest.'}
      </p>
      <Table>
        <thead>
          <tr>
            <th scope="col">{kind === 'main' ? 'Main' : 'Rod'}</th>
            <th scope="col">As measured</th>
            <th scope="col">Upper half</th>
            <th scope="col">In the cap</th>
            <th scope="col">Becomes</th>
          </tr>
        </thead>
        <tbody>
          {choices.map(({ journal, before, upper, lower, clearanceMm }) => (
            <tr key={journal.number}>
              <td data-figure>{journal.number}</td>
              <td data-figure>{figureWords(before.value, shown, system)}</td>
              <td>{upper.name}</td>
              <td>{lower.name}</td>
              <td data-figure>{plainWords(clearanceMm, shown, system)}</td>
            </tr>
          ))}
        </tbody>
      </Table>
      <p>
        {toBuy.length === 0
          ? 'All of it is on the shelf.'
          : `To buy: ${toBuy.map(({ shell, halves }) => `${halves} ${halves === 1 ? 'half' : 'halves'} ${shell.name}`).join(', ')}.`}
      </p>
    </>
  )
}
