// Headers below titles and notes, and tables that start with them.

import { headerRowOf } from 'sornak-files'
import { expect, test } from 'vitest'
import { bytes, open } from '../tables.js'

const cases: { name: string; text: string; row: number }[] = [
  { name: 'headers first', text: 'No,Name\n1,Ada\n2,Bo\n', row: 1 },
  { name: 'a title above', text: 'Crew of the Sound\nNo,Name,Port\n1,Ada,x\n2,Bo,y\n', row: 2 },
  {
    name: 'title, note and an empty row',
    text: 'Crew\nas of May\n\nNo,Name,Port\n1,Ada,x\n2,Bo,y\n3,Cy,z\n',
    row: 4,
  },
  { name: 'no header over the first column', text: ',Name\n1,Ada\n2,Bo\n', row: 1 },
  { name: 'headers without letters', text: '#,2026\n1,Ada\n2,Bo\n', row: 1 },
  { name: 'one column', text: 'No\n1\n2\n', row: 1 },
  { name: 'ragged rows below', text: 'A,B,C,D\n1,2\n3,4,5\n', row: 1 },
]
test.each(cases)('$name', async ({ text, row }) => {
  expect(await headerRowOf(await open('a.csv', bytes(text)))).toBe(row)
})
