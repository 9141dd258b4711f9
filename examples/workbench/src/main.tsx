import { startTransition } from 'react'
import { createRoot } from 'react-dom/client'
import { App } from './app.js'
import { WorkbenchProvider } from './state/workbench.js'
import './workbench.css'

startTransition(() =>
  createRoot(document.querySelector('#workbench')!).render(
    <WorkbenchProvider>
      <App />
    </WorkbenchProvider>,
  ),
)
