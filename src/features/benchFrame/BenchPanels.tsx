'use client'
import { lazyPart } from '@/ui/lazyPart'
import type { Again, BenchAtWork } from './useBenchPage'

/** Panels are fetched when work begins, so that the page itself is light and they are there when the network is not. */
const panelModule = () => import('./panels')
const FindingPanel = lazyPart(() => panelModule().then((module) => module.FindingPanel))
const HistoryPanel = lazyPart(() => panelModule().then((module) => module.HistoryPanel))
const KeysPanel = lazyPart(() => panelModule().then((module) => module.KeysPanel))
const RefusedPanel = lazyPart(() => import('./RefusedPanel').then((module) => module.RefusedPanel))

export function warmPanels(): void {
  void panelModule()
}

/** What opens beside the work: the sum of a finding, the history of a place, what the server refused, the keys. */
export function BenchPanels({ page, onAgain }: { page: BenchAtWork; onAgain: (again: Again) => void }) {
  const { bench, system, work, document, panels } = page
  const { build, stations, findings, current, acts, signed } = work
  const { panel, close } = panels
  const opened = findings.find((finding) => finding.id === panels.opened)
  return (
    <>
      {opened && (
        <FindingPanel
          finding={opened}
          definition={bench.definition}
          build={build}
          stations={stations}
          system={system}
          onClose={close}
          onStation={panels.pick}
          onPick={panels.open}
          siblings={findings}
        />
      )}
      {panel === 'history' && current && (
        <HistoryPanel
          station={current}
          document={document}
          build={build}
          added={work.added}
          stations={stations}
          onClose={close}
          onStrike={(id, why) => signed((by) => acts.strike(by, id, why))}
          onSettle={(reading) => signed((by) => acts.settle(by, reading))}
          onMove={(id, to, why) => signed((by) => acts.move(by, id, to.place, why))}
        />
      )}
      {panel === 'refused' && (
        <RefusedPanel
          refused={work.refused}
          stations={stations}
          onClose={close}
          onDrop={work.dropRefused}
          onAgain={({ entry }, station) => {
            work.go(station)
            if (entry.kind === 'reading') onAgain({ station, text: entry.asTyped })
            work.dropRefused(entry.id)
            close()
          }}
        />
      )}
      {panel === 'keys' && <KeysPanel onClose={close} />}
    </>
  )
}
