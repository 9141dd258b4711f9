import { defineConfig } from 'vitest/config'

const source = (path: string, name = 'sornak') =>
  new URL(`./packages/${name}/src/${path}`, import.meta.url).pathname

export default defineConfig({
  resolve: {
    alias: [
      { find: /^sornak$/, replacement: source('index.ts') },
      { find: /^sornak\/mask$/, replacement: source('mask/mask.ts') },
      { find: /^sornak\/entry$/, replacement: source('entry/entry.ts') },
      { find: /^sornak\/dom$/, replacement: source('dom/attach.ts') },
      { find: /^sornak-files$/, replacement: source('index.ts', 'sornak-files') },
      { find: /^sornak-files\/problem$/, replacement: source('problem.ts', 'sornak-files') },
      { find: /^sornak\/rows$/, replacement: source('rows/rows.ts') },
    ],
  },
  test: {
    include: ['packages/*/test/**/*.test.ts', 'examples/*/test/**/*.test.ts'],
    testTimeout: 180_000,
    hookTimeout: 180_000,
    expect: { poll: { timeout: 20_000 } },
    // One for each core; left to itself the runner keeps a core free.
    maxWorkers: '100%',
  },
})
