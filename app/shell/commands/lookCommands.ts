import type { useOpenPanel } from '~/stores/openPanel'
import type { usePreferences } from '~/stores/preferences'
import type { CommandEntry } from './command'

interface LookCommandsAsk {
  readonly preferences: ReturnType<typeof usePreferences>
  readonly open: ReturnType<typeof useOpenPanel>
  readonly colorMode: { readonly value: string; preference: string }
}

/** How figures are shown, and the panels. */
export function lookCommands({ preferences, open, colorMode }: LookCommandsAsk): CommandEntry[] {
  const dark = colorMode.value === 'dark'
  return [
    {
      id: 'unit',
      label: preferences.unit === 'mm' ? 'Show inches' : 'Show millimetres',
      finds: 'unit metric imperial mm in',
      group: 'Look',
      icon: 'i-lucide-ruler',
      run: () => void preferences.change({ unit: preferences.unit === 'mm' ? 'in' : 'mm' }),
    },
    {
      id: 'included',
      label: preferences.included ? 'Show angles per side' : 'Show included angles',
      group: 'Look',
      icon: 'i-lucide-triangle',
      run: () => void preferences.change({ angles: preferences.included ? 'per-side' : 'included' }),
    },
    {
      id: 'theme',
      label: dark ? 'Day theme' : 'Night theme',
      finds: 'dark light mode',
      group: 'Look',
      icon: 'i-lucide-sun-moon',
      run: () => (colorMode.preference = dark ? 'light' : 'dark'),
    },
    {
      id: 'preferences',
      label: 'Preferences',
      finds: 'settings backup take out bring back export import side names',
      group: 'Look',
      icon: 'i-lucide-sliders-horizontal',
      keys: 'meta_,',
      fromFields: true,
      run: () => (open.panel.value = 'preferences'),
    },
    {
      id: 'keys',
      label: 'Keys',
      finds: 'help shortcuts keyboard',
      group: 'Look',
      icon: 'i-lucide-keyboard',
      keys: '?',
      run: () => (open.panel.value = 'keys'),
    },
    {
      id: 'glossary',
      label: 'Glossary',
      finds: 'words terms meaning explain apex burr choil setback',
      group: 'Look',
      icon: 'i-lucide-book-open',
      keys: 'g',
      run: () => (open.panel.value = 'glossary'),
    },
    {
      id: 'palette',
      label: 'All commands',
      group: 'Look',
      icon: 'i-lucide-command',
      keys: 'meta_k',
      fromFields: true,
      run: () => (open.panel.value = 'palette'),
    },
  ]
}
