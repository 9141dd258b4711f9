import './workbench.css'

// One part after the other, so that none of them holds the page up.
const { createRoot } = await import('react-dom/client')
const { startTransition } = await import('react')
const { App } = await import('./app.js')
const { WorkbenchProvider } = await import('./state/workbench.js')

startTransition(() =>
  createRoot(document.querySelector('#workbench')!).render(
    <WorkbenchProvider>
      <App />
    </WorkbenchProvider>,
  ),
)
