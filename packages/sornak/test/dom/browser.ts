// A real Chromium with a page that has the library on it, for tests of fields; and example applications, built.

import { execFileSync } from 'node:child_process'
import { createServer, type Server } from 'node:http'
import { existsSync } from 'node:fs'
import { chromium, type Browser, type BrowserContextOptions, type Page } from 'playwright-core'
import { rolldown } from 'rolldown'

const LIBRARY = `
import { mask, maskList, fromCatalog, identifier } from ${path('index.ts')}
import { entry, written } from ${path('entry/entry.ts')}
import { attach } from ${path('dom/attach.ts')}
import { attach as attachCharacters } from ${path('dom/characters.ts')}
import { SornakField } from ${path('dom/element.ts')}
Object.assign(window, { sornak: { mask, maskList, fromCatalog, identifier, entry, written, attach, attachCharacters, SornakField }, fields: {} })
`

function path(name: string): string {
  return JSON.stringify(new URL(`../../src/${name}`, import.meta.url).pathname)
}

export interface Site {
  /** A page with this body, on which `fields` is filled by the script. */
  open(body: string, script: string, options?: BrowserContextOptions): Promise<Page>
  readonly errors: string[]
  /** Closes pages that were opened for one test, which else go on painting while others are tested. */
  clear(): Promise<void>
  close(): Promise<void>
}

export async function site(): Promise<Site> {
  const code = await bundled()
  const bodies = new Map<string, string>()
  const server: Server = createServer((request, response) => {
    const url = new URL(request.url ?? '/', 'http://localhost')
    if (url.pathname === '/library.js')
      response.setHeader('content-type', 'text/javascript').end(code)
    else
      response
        .setHeader('content-type', 'text/html; charset=utf-8')
        .end(bodies.get(url.pathname) ?? '<!doctype html><title>Received</title><p>Received</p>')
  })
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready))
  const address = server.address()
  const port = typeof address === 'object' && address ? address.port : 0
  const browser = await launched()
  const errors: string[] = []
  const opened = async (options: BrowserContextOptions) => {
    const context = await browser.newContext(options)
    await context.grantPermissions(['clipboard-read', 'clipboard-write'])
    const page = await context.newPage()
    page.on('pageerror', (error) => errors.push(error.message))
    return page
  }
  // Most tests are content with any page: one is used again, as a new one takes the browser longer than the test.
  let plain: Page | undefined
  const anyPage = async () => (plain = plain && !plain.isClosed() ? plain : await opened({}))
  return {
    errors,
    async open(body, script, options) {
      const name = `/page-${bodies.size}`
      bodies.set(
        name,
        `<!doctype html><html lang="en"><title>Field</title><meta name="viewport" content="width=device-width"><main>${body}</main>
         <script type="module">import '/library.js'; const { mask, maskList, fromCatalog, identifier, entry, written, attach, attachCharacters } = sornak; ${script}; document.body.dataset.ready = 'yes'</script></html>`,
      )
      const page = options ? await opened(options) : await anyPage()
      await page.goto(`http://127.0.0.1:${port}${name}`)
      await page.waitForSelector('body[data-ready]')
      return page
    },
    clear: () => cleared(browser, plain),
    async close() {
      await browser.close()
      await new Promise((closed) => server.close(closed))
    },
  }
}

/** Closes all pages of a browser but this one. */
export async function cleared(browser: Browser, but?: Page): Promise<void> {
  const others = browser.contexts().filter((context) => context !== but?.context())
  await Promise.all(others.map((context) => context.close()))
}

export async function launched(): Promise<Browser> {
  const executablePath = process.env['CHROMIUM'] ?? '/usr/bin/chromium'
  if (!existsSync(executablePath))
    throw new Error('Tests of pages need Chromium as /usr/bin/chromium, or named in CHROMIUM.')
  // A process kept ready for the next page takes a core from the one under test.
  const args = [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-features=SpareRendererForSitePerProcess',
  ]
  return chromium.launch({ executablePath, args })
}

/** The application in this folder, built as its readers build it: without what the test runner adds for those who write. */
export function builtForReaders(root: string): void {
  const { NODE_ENV: _, ...env } = process.env
  execFileSync('npm', ['run', 'build', '--', '--logLevel', 'error'], { cwd: root, env })
}

async function bundled(): Promise<string> {
  const bundle = await rolldown({
    input: 'library',
    plugins: [
      {
        name: 'library',
        resolveId: (id) => (id === 'library' ? id : null),
        load: (id) => (id === 'library' ? LIBRARY : null),
      },
    ],
    resolve: { extensionAlias: { '.js': ['.ts', '.js'] } },
  })
  const { output } = await bundle.generate({ format: 'esm' })
  await bundle.close()
  return output[0].code
}
