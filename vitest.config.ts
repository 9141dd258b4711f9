import { fileURLToPath } from 'node:url'
import { rolldown } from 'rolldown'
import { defineConfig } from 'vitest/config'

const at = (path: string) => fileURLToPath(new URL(path, import.meta.url))
const core = (path: string) => at(`./packages/sornak/src/${path}`)
const files = (path: string) => at(`./packages/sornak-files/src/${path}`)

// What tests import of the core by name is made into a few files here, of the sources as they are now: every test file
// would load some hundred modules one by one.
const bundled = at('./node_modules/.tests/sornak/')
const bundle = await rolldown({
  input: {
    index: core('index.ts'),
    mask: core('mask/mask.ts'),
    entry: core('entry/entry.ts'),
    dom: core('dom/attach.ts'),
    rows: core('rows/rows.ts'),
  },
})
await bundle.write({ dir: bundled, entryFileNames: '[name].mjs', chunkFileNames: '[name].mjs' })
await bundle.close()

export default defineConfig({
  resolve: {
    alias: [
      { find: /^sornak$/, replacement: `${bundled}index.mjs` },
      { find: /^sornak\/(mask|entry|dom|rows)$/, replacement: `${bundled}$1.mjs` },
      { find: /^sornak-files$/, replacement: files('index.ts') },
      { find: /^sornak-files\/problem$/, replacement: files('problem.ts') },
    ],
  },
  test: {
    include: ['packages/*/test/**/*.test.ts', 'examples/*/test/**/*.test.ts'],
    testTimeout: 180_000,
    hookTimeout: 180_000,
    expect: { poll: { timeout: 20_000 } },
    // What is imported is compiled once for all files of a process, and stays fast.
    isolate: false,
    setupFiles: [at('./packages/sornak/test/before-each-file.ts')],
    // As the command runs.
    execArgv: ['--interrupt-budget=400000'],
    // One for each core; left to itself the runner keeps a core free.
    maxWorkers: '100%',
  },
})
