// Light, dark, or as the system has it.

import { useEffect, useState } from 'react'
import { Button } from 'react-aria-components'

const THEMES = ['system', 'light', 'dark'] as const
type Theme = (typeof THEMES)[number]

export function ThemeSwitch() {
  const [theme, setTheme] = useState<Theme>('system')
  useEffect(() => {
    if (theme === 'system') delete document.documentElement.dataset['theme']
    else document.documentElement.dataset['theme'] = theme
  }, [theme])
  const next = THEMES[(THEMES.indexOf(theme) + 1) % THEMES.length]!
  return (
    <Button
      className="plain"
      onPress={() => setTheme(next)}
      aria-label={`Colours: ${theme}; change to ${next}`}
    >
      Colours: {theme}
    </Button>
  )
}

/** The colours of the moment, for canvases: they are painted once, and again when this changes. */
export function useTheme(): string {
  const media = matchMedia('(prefers-color-scheme: dark)')
  const read = () => `${document.documentElement.dataset['theme'] ?? ''} ${media.matches}`
  const [theme, setTheme] = useState(read)
  useEffect(() => {
    const change = () => setTheme(read())
    const observer = new MutationObserver(change)
    observer.observe(document.documentElement, { attributeFilter: ['data-theme'] })
    media.addEventListener('change', change)
    return () => {
      observer.disconnect()
      media.removeEventListener('change', change)
    }
    // The query is the same object in effect.
  }, [])
  return theme
}
