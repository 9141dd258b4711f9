// Every command that the documents show is run in the folder of the demo data, and prints what they say.
// A line of "…" stands for any lines.

import { spawnSync } from 'node:child_process'
import { chmodSync, cpSync, writeFileSync } from 'node:fs'
import { delimiter, join } from 'node:path'
import { expect, test } from 'vitest'
import { fencedBlocks, filesUnder } from '../../sornak/test/doc-blocks.js'
import { COMMAND, DATA, folder } from './run.js'

const root = new URL('../../../', import.meta.url).pathname
const blocks = [...filesUnder(`${root}docs`, '.md'), `${root}README.md`]
  .flatMap(fencedBlocks)
  .filter(({ language }) => language === 'console')

const bin = folder({ sornak: `#!/bin/sh\nexec "${process.execPath}" "${COMMAND}" "$@"\n` })
chmodSync(join(bin, 'sornak'), 0o755)

test.each(
  blocks.map((block) => [`${block.file.slice(root.length)}:${block.line}`, block] as const),
)('%s', (_, { text }) => {
  const dir = folder()
  cpSync(DATA, dir, { recursive: true })
  for (const part of text.split(/^\$ /m).filter(Boolean)) {
    const [command = '', ...shown] = part.trimEnd().split('\n')
    // In files, so that what is said of errors stands before what is printed after them.
    writeFileSync(join(dir, 'run.sh'), `${command} 2>&1\n`)
    const { stdout } = spawnSync('sh', ['run.sh'], {
      cwd: dir,
      input: '',
      env: { ...process.env, NO_COLOR: '1', PATH: `${bin}${delimiter}${process.env['PATH']}` },
    })
    const clean = (lines: readonly string[]) => lines.map((line) => line.trimEnd()).join('\n')
    const want = clean(shown)
      .split(/^…$/m)
      .map((piece) => piece.replace(/[.*+?^${}()|[\]\\]/g, '\\$&'))
      .join('[\\s\\S]*')
    expect(clean(stdout.toString().trimEnd().split('\n'))).toMatch(new RegExp(`^${want}$`))
  }
})
