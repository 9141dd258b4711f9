// One of several, chosen from a list that is made when it is opened: a page may have many of them.

import { useState } from 'react'
import {
  Autocomplete,
  Button,
  Dialog,
  DialogTrigger,
  Input,
  ListBox,
  ListBoxItem,
  Popover,
  SearchField,
  useFilter,
} from 'react-aria-components'

export interface Option {
  readonly id: string
  readonly text: string
}

/** From so many options on they can be searched. */
const MANY = 15

export function Choice({
  label,
  value,
  options,
  onChange,
  bare = false,
}: {
  readonly label: string
  readonly value: string
  readonly options: readonly Option[]
  readonly onChange: (value: string) => void
  /** The label is for those who hear the page; those who see it know. */
  readonly bare?: boolean
}) {
  const [open, setOpen] = useState(false)
  const { contains } = useFilter({ sensitivity: 'base' })
  const current = options.find(({ id }) => id === value)?.text ?? value
  const list = (
    <ListBox
      aria-label={label}
      className="list"
      items={options}
      selectionMode="single"
      autoFocus={options.length < MANY}
      selectedKeys={[value]}
      onSelectionChange={(keys) => {
        const [key] = keys
        setOpen(false)
        if (key !== undefined && key !== value) onChange(String(key))
      }}
    >
      {({ id, text }) => (
        <ListBoxItem id={id} textValue={text}>
          {text}
        </ListBoxItem>
      )}
    </ListBox>
  )
  return (
    <div className="choice">
      {!bare && (
        <span className="label" aria-hidden="true">
          {label}
        </span>
      )}
      <DialogTrigger isOpen={open} onOpenChange={setOpen}>
        <Button aria-label={`${label}: ${current}`}>
          <span>{current}</span>
          <span aria-hidden="true" className="arrow">
            ▾
          </span>
        </Button>
        <Popover className="popover">
          <Dialog aria-label={label}>
            {options.length < MANY ? (
              list
            ) : (
              <Autocomplete filter={contains}>
                <SearchField aria-label={`Search: ${label}`} autoFocus className="seek">
                  <Input placeholder="search" />
                </SearchField>
                {list}
              </Autocomplete>
            )}
          </Dialog>
        </Popover>
      </DialogTrigger>
    </div>
  )
}
