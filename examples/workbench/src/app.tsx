// The frame: what is open, what can be undone, and the four views.

import { lazy, startTransition, Suspense, useEffect, useState } from 'react'
import { Button, Tab, TabList, TabPanel, Tabs, type Key } from 'react-aria-components'
import { DEMO, demoFile } from './demo.js'
import { number } from './parts/words.js'
import { ThemeSwitch } from './parts/theme.js'
import { useNews, useWorkbench } from './state/workbench.js'
import { Open } from './views/open.js'

// Loaded when they are looked at, so that the page is there at once.
const Act = lazy(async () => ({ default: (await import('./views/act.js')).Act }))
const Data = lazy(async () => ({ default: (await import('./views/data.js')).Data }))
const Damage = lazy(async () => ({ default: (await import('./views/damage.js')).Damage }))
const Definitions = lazy(async () => ({
  default: (await import('./views/definitions.js')).Definitions,
}))

export function App() {
  const { file, survey, inspected, steps, undo, redo, open } = useWorkbench()
  const [view, setView] = useState<Key>('data')
  const show = (next: Key) => startTransition(() => setView(next))

  // `?demo=crew` opens a table of the demo data at once.
  useEffect(() => {
    const name = new URLSearchParams(location.search).get('demo')
    const found = DEMO.find((one) => one.name === name || one.name === `${name ?? ''}.csv`)
    if (found) void demoFile(found).then(open)
    // Once, when the page opens.
  }, [])

  // While a file is surveyed, and while the steward reads the proposals, the next view gets ready.
  useEffect(() => {
    if (file) void import('./views/data.js')
  }, [file])
  useEffect(() => {
    if (!survey) return
    void import('./views/damage.js')
    void import('./parts/verdict-chart.js')
  }, [survey])

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z') return
      if (event.target instanceof HTMLElement && event.target.matches('input, textarea')) return
      event.preventDefault()
      if (event.shiftKey) redo()
      else undo()
    }
    addEventListener('keydown', onKey)
    return () => removeEventListener('keydown', onKey)
  }, [undo, redo])

  // Two views are of what was inspected; without it there is nothing to see in them.
  const seen = inspected || (view !== 'damage' && view !== 'act') ? view : 'data'
  // A view is seen from its top.
  useEffect(() => void scrollTo(0, 0), [seen])

  const last = steps.past.at(-1)?.what
  const next = steps.future[0]?.what
  return (
    <div className="page">
      <header className="top">
        <div className="brand">
          <h1>Sornak workbench</h1>
          <p>
            {file
              ? `${file.name}${inspected ? `, ${number(inspected.records)} records` : ''}`
              : 'Nothing leaves this computer.'}
          </p>
        </div>
        <div className="tools">
          <Button isDisabled={!last} onPress={undo} className="plain">
            Undo{last ? `: ${last}` : ''}
          </Button>
          <Button isDisabled={!next} onPress={redo} className="plain">
            Redo{next ? `: ${next}` : ''}
          </Button>
          <ThemeSwitch />
        </div>
      </header>
      <NewsLine />
      <main>
        <Suspense>
          <Tabs selectedKey={seen} onSelectionChange={show} className="views">
            <TabList aria-label="Views">
              <Tab id="data">Data</Tab>
              <Tab id="damage" isDisabled={!inspected}>
                Damage
              </Tab>
              <Tab id="act" isDisabled={!inspected}>
                Act
              </Tab>
              <Tab id="definitions">Definitions</Tab>
            </TabList>
            <TabPanel id="data">
              {survey ? (
                <Data onInspected={() => show('damage')} edit={() => show('definitions')} />
              ) : (
                <Open />
              )}
            </TabPanel>
            <TabPanel id="damage">
              <Damage />
            </TabPanel>
            <TabPanel id="act">
              <Act />
            </TabPanel>
            <TabPanel id="definitions">
              <Definitions />
            </TabPanel>
          </Tabs>
        </Suspense>
      </main>
    </div>
  )
}

// What is under way, how far it is, and what went wrong.
function NewsLine() {
  const { stop } = useWorkbench()
  const { work, said, dismiss } = useNews()
  return (
    <div aria-live="polite" className="news">
      {work && (
        <div className="work" role="status">
          <span>
            {work.what}
            {work.whole > 0 ? ` ${Math.floor((100 * work.done) / work.whole)}%` : ' …'}
          </span>
          <progress
            max={1}
            value={work.whole ? work.done / work.whole : undefined}
            aria-label={work.what}
          />
          <Button onPress={stop} className="plain">
            Stop
          </Button>
        </div>
      )}
      {said && (
        <div className="said" role="alert">
          <p>
            <strong>{said.message}</strong> {said.todo}
          </p>
          <Button onPress={dismiss} className="plain">
            Dismiss
          </Button>
        </div>
      )}
    </div>
  )
}
