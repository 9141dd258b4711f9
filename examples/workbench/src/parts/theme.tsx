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
