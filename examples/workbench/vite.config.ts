import { defineConfig, type Plugin } from 'vite'

// Nothing is fetched from anywhere but the page's own place, and nothing runs that did not come with it. The
// server for writing code needs more than that, so the policy is put into the built page only.
const POLICY = [
  "default-src 'none'",
  "script-src 'self' 'wasm-unsafe-eval'",
  // The one style that the interface components put in themselves, for buttons under a finger.
  "style-src 'self' 'sha256-38RhXrc7EdReTKsOm23ZPOCUgniTUUcjky8QOOrQx6o='",
  "img-src 'self' data:",
  "connect-src 'self'",
  "worker-src 'self'",
  "base-uri 'none'",
  "form-action 'none'",
].join('; ')

const policy: Plugin = {
  name: 'policy',
  apply: 'build',
  transformIndexHtml: () => [
    {
      tag: 'meta',
      attrs: { 'http-equiv': 'Content-Security-Policy', content: POLICY },
      injectTo: 'head-prepend',
    },
  ],
}

export default defineConfig({
  base: './',
  plugins: [policy],
  build: { target: 'es2022', assetsInlineLimit: 0 },
  worker: { format: 'es' },
  preview: { port: 4180, open: false },
})
