// What a page downloads for one character mask: the field, and the mask as plain data.

import { brotliCompressSync, gzipSync } from 'node:zlib'
import { rolldown } from 'rolldown'
import { expect, test } from 'vitest'
import { mask } from 'sornak'
import { written } from 'sornak/entry'

test('a field with one mask is at most 6 KB compressed', async () => {
  const field = new URL('../../src/dom/characters.ts', import.meta.url).pathname
  const data = JSON.stringify(written([mask('({3}) {3}-{4}').nodes]))
  const page = `import { attach } from ${JSON.stringify(field)}\nattach(document.querySelector('input'), ${data})`
  const bundle = await rolldown({
    input: 'page',
    plugins: [
      {
        name: 'page',
        resolveId: (id) => (id === 'page' ? id : null),
        load: (id) => (id === 'page' ? page : null),
      },
    ],
    resolve: { extensionAlias: { '.js': ['.ts'] } },
  })
  const { output } = await bundle.generate({ format: 'esm', minify: true })
  await bundle.close()
  const { code } = output[0]
  expect(code).toContain('beforeinput')
  expect(brotliCompressSync(code).length).toBeLessThanOrEqual(6 * 1024)
  expect(gzipSync(code).length).toBeLessThanOrEqual(7 * 1024)
})
