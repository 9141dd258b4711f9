// Chooses a file and opens it.

import { Button, FileTrigger } from 'react-aria-components'
import { useWorkbench } from '../state/workbench.js'

export function OpenButton({
  children,
  main = false,
}: {
  readonly children: string
  readonly main?: boolean
}) {
  const { open } = useWorkbench()
  return (
    <FileTrigger
      onSelect={(files) => {
        const [first] = files ?? []
        if (first) void open(first)
      }}
    >
      <Button className={main ? 'main' : 'plain'}>{children}</Button>
    </FileTrigger>
  )
}
