// One finding in full: why, what it could have been, and what the steward does about it.

import { useState } from 'react'
import {
  Button,
  Dialog,
  DialogTrigger,
  Heading,
  Input,
  Label,
  Modal,
  ModalOverlay,
  TextField,
} from 'react-aria-components'
import { useWorkbench } from '../state/workbench.js'
import { cellKey, type Row } from '../worker/protocol.js'
import { findingNext, findingTitle, number } from './words.js'

export function FindingDetail({ row, onDone }: { readonly row: Row; readonly onDone: () => void }) {
  const { decisions, decide, revealed } = useWorkbench()
  const cell = cellKey(row.record, row.column)
  const chosen = decisions.chosen[cell]
  const listed = row.candidates
  // What is hidden cannot be chosen among: all candidates look alike.
  const open = !row.hidden || revealed.has(row.column)
  const choose = (value: string | undefined) => {
    decide(value === undefined ? 'choice taken back' : `choice in row ${row.record}`, (now) => {
      const { [cell]: _before, ...others } = now.chosen
      return { ...now, chosen: value === undefined ? others : { ...others, [cell]: value } }
    })
    onDone()
  }
  return (
    <aside className="detail" aria-label={`Finding in row ${row.record}, ${row.column}`}>
      <h3>
        {row.column}, row {number(row.record)}
        {row.key !== null && <small> {row.key}</small>}
      </h3>
      <p className="value">
        <code>{row.stored}</code>
        {row.mend !== null && (
          <>
            {' → '}
            <code>{row.mend}</code>
          </>
        )}
      </p>
      <p>{row.why}</p>
      {row.finding && <p className="note">{findingNext(row.finding, row.verdict)}</p>}
      {row.mend === null && listed.length > 0 && (
        <div role="group" aria-label="Possible originals">
          <h4>
            {row.possible !== null && Number(row.possible) > listed.length
              ? `The likeliest ${listed.length} of ${number(Number(row.possible))}`
              : 'Possible originals'}
          </h4>
          {!open && <p className="note">Show the values of this column to choose one.</p>}
          <ul className="candidates">
            {listed.map((candidate, i) => (
              <li key={i}>
                <Button
                  className={chosen === candidate ? 'plain on' : 'plain'}
                  isDisabled={!open}
                  onPress={() => choose(chosen === candidate ? undefined : candidate)}
                >
                  <code>{candidate}</code>
                  {chosen === candidate ? ' ✓' : ''}
                </Button>
              </li>
            ))}
          </ul>
        </div>
      )}
      {row.mend === null && listed.length === 0 && row.possible !== null && (
        <p className="note">Candidates of secret values are counted and not listed.</p>
      )}
      {row.finding && <Accept column={row.column} finding={row.finding} />}
    </aside>
  )
}

function Accept(shown: { readonly column: string; readonly finding: string }) {
  const { decide } = useWorkbench()
  // What is being written is about the finding that it was opened on.
  const [opened, setOpened] = useState<typeof shown>()
  const { column, finding } = opened ?? shown
  const [because, setBecause] = useState('')
  const [atMost, setAtMost] = useState('')
  const [until, setUntil] = useState('')
  const fits = because.trim() !== '' && /^\d{0,9}$/.test(atMost)
  return (
    <DialogTrigger onOpenChange={(open) => setOpened(open ? shown : undefined)}>
      <Button className="plain">
        Accept “{findingTitle(finding)}” in {column}…
      </Button>
      <ModalOverlay className="veil" isDismissable>
        <Modal className="modal">
          <Dialog>
            {({ close }) => (
              <form
                onSubmit={(event) => {
                  event.preventDefault()
                  if (!fits) return
                  const entry = {
                    column,
                    finding,
                    ...(atMost && { 'at-most': atMost }),
                    because: because.trim(),
                    ...(until && { until }),
                  }
                  decide(`“${findingTitle(finding)}” accepted in ${column}`, (now) => ({
                    ...now,
                    accepted: [...now.accepted, entry],
                  }))
                  close()
                }}
              >
                <Heading slot="title">
                  Accept “{findingTitle(finding)}” in {column}
                </Heading>
                <p>
                  It is counted and no longer listed, here and wherever the exported rules are used.
                </p>
                <TextField value={because} onChange={setBecause} isRequired autoFocus>
                  <Label>Because</Label>
                  <Input placeholder="two deck hands share a handset" />
                </TextField>
                <div className="limits">
                  <TextField
                    value={atMost}
                    onChange={setAtMost}
                    inputMode="numeric"
                    isInvalid={!/^\d{0,9}$/.test(atMost)}
                  >
                    <Label>At most so many values</Label>
                    <Input placeholder="any number" />
                  </TextField>
                  <TextField value={until} onChange={setUntil} type="date">
                    <Label>Until the day</Label>
                    <Input />
                  </TextField>
                </div>
                <p className="note">
                  Left empty, it holds for any number and for good. Beyond either limit all of them
                  are listed again.
                </p>
                <div className="actions">
                  <Button type="submit" className="main" isDisabled={!fits}>
                    Accept
                  </Button>
                  <Button slot="close" className="plain">
                    Cancel
                  </Button>
                </div>
              </form>
            )}
          </Dialog>
        </Modal>
      </ModalOverlay>
    </DialogTrigger>
  )
}
