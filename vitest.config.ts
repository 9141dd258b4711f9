import { defineConfig } from 'vitest/config'

const source = (path: string) => new URL(`./packages/sornak/src/${path}`, import.meta.url).pathname

export default defineConfig({
  resolve: {
    alias: [
      { find: /^sornak$/, replacement: source('index.ts') },
      { find: /^sornak\/mask$/, replacement: source('mask/mask.ts') },
      { find: /^sornak\/entry$/, replacement: source('entry/entry.ts') },
      { find: /^sornak\/dom$/, replacement: source('dom/attach.ts') },
      { find: /^sornak\/rows$/, replacement: source('rows/rows.ts') },
    ],
  },
  test: {
    include: ['packages/*/test/**/*.test.ts', 'examples/*/test/**/*.test.ts'],
    testTimeout: 60_000,
    hookTimeout: 60_000,
  },
})
