// Choose a file and open it: a table, or a rules file.

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
    <FileTrigger onSelect={(files) => files?.[0] && void open(files[0])}>
      <Button className={main ? 'main' : 'plain'}>{children}</Button>
    </FileTrigger>
  )
}

export function OpenRules({ children }: { readonly children: string }) {
  const { openRules } = useWorkbench()
  return (
    <FileTrigger
      acceptedFileTypes={['.yaml', '.yml', '.json']}
      onSelect={(files) => files?.[0] && void openRules(files[0])}
    >
      <Button className="plain">{children}</Button>
    </FileTrigger>
  )
}
