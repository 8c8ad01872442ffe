const KEY = 'exemplar.theme'
export const THEMES = ['system', 'light', 'dark'] as const
export type Theme = (typeof THEMES)[number]

export function readTheme(): Theme {
  const stored = localStorage.getItem(KEY)
  return THEMES.find((theme) => theme === stored) ?? 'system'
}

export function writeTheme(theme: Theme): void {
  localStorage.setItem(KEY, theme)
  applyTheme()
}

const prefersDark = window.matchMedia('(prefers-color-scheme: dark)')

/** Sets the theme on the page and follows the system while nothing else was chosen. */
export function applyTheme(): void {
  const theme = readTheme()
  const isDark = theme === 'dark' || (theme === 'system' && prefersDark.matches)
  document.documentElement.dataset.theme = isDark ? 'dark' : 'light'
}

prefersDark.addEventListener('change', applyTheme)
