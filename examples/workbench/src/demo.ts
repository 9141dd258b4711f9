// The tables of Harrow Sound Ferries, a made-up co-operative; they come with the page.

import crew from '../../data/crew.csv?url'
import freight from '../../data/freight.csv?url'
import passes from '../../data/passes.csv?url'

export interface DemoTable {
  readonly name: string
  readonly what: string
  readonly url: string
}

export const DEMO: readonly DemoTable[] = [
  { name: 'crew.csv', what: 'Crew roster', url: crew },
  { name: 'passes.csv', what: 'Season passes', url: passes },
  { name: 'freight.csv', what: 'Freight bookings', url: freight },
]

export async function demoFile({ name, url }: DemoTable): Promise<File> {
  const response = await fetch(url)
  return new File([await response.blob()], name)
}
