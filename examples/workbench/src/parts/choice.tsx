// One of several, chosen from a list.

import {
  Button,
  Label,
  ListBox,
  ListBoxItem,
  Popover,
  Select,
  SelectValue,
} from 'react-aria-components'

export interface Option {
  readonly id: string
  readonly text: string
}

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
  return (
    <Select
      className="choice"
      value={value}
      onChange={(key) => key !== null && onChange(String(key))}
      {...(bare && { 'aria-label': label })}
    >
      {!bare && <Label>{label}</Label>}
      <Button>
        <SelectValue />
        <span aria-hidden="true" className="arrow">
          ▾
        </span>
      </Button>
      <Popover className="popover">
        <ListBox items={options} className="list">
          {({ id, text }) => (
            <ListBoxItem id={id} textValue={text}>
              {text}
            </ListBoxItem>
          )}
        </ListBox>
      </Popover>
    </Select>
  )
}
