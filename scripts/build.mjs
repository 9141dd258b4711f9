// Builds the packages: types and modules with the compiler, the command as one bundle with its parts
// loaded when needed, and the demo data beside it.

import { execFileSync } from 'node:child_process'
import { cpSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { rolldown } from 'rolldown'

process.chdir(new URL('..', import.meta.url).pathname)
const cli = 'packages/sornak-cli'
const { version } = JSON.parse(readFileSync(`${cli}/package.json`, 'utf8'))

execFileSync(process.execPath, ['node_modules/typescript/bin/tsc', '-b'], { stdio: 'inherit' })

rmSync(`${cli}/dist/chunks`, { recursive: true, force: true })
const bundle = await rolldown({
  input: { sornak: `${cli}/dist/esm/main.js`, thread: `${cli}/dist/esm/thread.js` },
  platform: 'node',
  external: [/^node:/, 'node-sqlite3-wasm', 'pg-native'],
  transform: { define: { VERSION: JSON.stringify(version) } },
})
await bundle.write({
  dir: `${cli}/dist`,
  format: 'esm',
  chunkFileNames: 'chunks/[name]-[hash].js',
})
await bundle.close()

rmSync(`${cli}/dist/demo`, { recursive: true, force: true })
cpSync('examples/data', `${cli}/dist/demo`, {
  recursive: true,
  filter: (path) => !/make-data|\.truth\./.test(path),
})
writeFileSync(`${cli}/dist/.built`, '')
