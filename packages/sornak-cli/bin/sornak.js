#!/usr/bin/env node
// Stands here before anything is built, so that installing can link the command.
await import('../dist/sornak.js').catch((error) => {
  if (error.code !== 'ERR_MODULE_NOT_FOUND') throw error
  process.stderr.write('sornak is not built yet. Run: npm run build\n')
  process.exitCode = 3
})
