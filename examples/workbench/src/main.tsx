import { createRoot } from 'react-dom/client'
import { App } from './app.js'
import { WorkbenchProvider } from './state/workbench.js'
import './workbench.css'

createRoot(document.querySelector('#workbench')!).render(
  <WorkbenchProvider>
    <App />
  </WorkbenchProvider>,
)
