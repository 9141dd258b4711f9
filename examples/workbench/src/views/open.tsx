// Nothing is open yet: drop a file, choose one, or look at the demo data.

import { useState } from 'react'
import { Button, DropZone, Text } from 'react-aria-components'
import { DEMO, demoFile } from '../demo.js'
import { OpenButton, OpenRules } from '../parts/open-button.js'
import { useNews, useWorkbench } from '../state/workbench.js'

export function Open() {
  const { open, decisions } = useWorkbench()
  const { work } = useNews()
  const [over, setOver] = useState(false)
  return (
    <DropZone
      aria-label="Drop a file"
      className={over ? 'drop over' : 'drop'}
      onDropEnter={() => setOver(true)}
      onDropExit={() => setOver(false)}
      onDrop={(event) => {
        setOver(false)
        const [item] = event.items.filter((one) => one.kind === 'file')
        if (item) void item.getFile().then(open)
      }}
    >
      <Text slot="label" className="big">
        Drop a file here
      </Text>
      <p>
        CSV and other text, a workbook, OpenDocument, JSON, Parquet, also compressed. It is read
        where it lies; nothing leaves this computer.
      </p>
      <div className="actions">
        <OpenButton main>Open a file</OpenButton>
        <OpenRules>Open a rules file</OpenRules>
      </div>
      {Object.keys(decisions.besides.rules).length > 0 && (
        <p className="note" role="status">
          The rules are read; they hold for the files that are opened now.
        </p>
      )}
      <p className="or">or look at the made-up data of Harrow Sound Ferries</p>
      <div className="actions">
        {DEMO.map((table) => (
          <Button
            key={table.name}
            className="plain"
            isDisabled={work !== undefined}
            onPress={() => void demoFile(table).then(open)}
          >
            {table.what}
          </Button>
        ))}
      </div>
    </DropZone>
  )
}
