import { Moon, Sun, SunMoon } from 'lucide-react';
import { Button } from '../theme/Button';
import { chooseScheme, useScheme, type Scheme } from './scheme';

const NEXT: Readonly<Record<Scheme, Scheme>> = { system: 'light', light: 'dark', dark: 'system' };
const ICONS = { system: SunMoon, light: Sun, dark: Moon };
const WORDS: Readonly<Record<Scheme, string>> = { system: 'as the device', light: 'light', dark: 'dark' };

/** Goes round: as the device asks for, light, dark. */
export function SchemeButton() {
  const scheme = useScheme();
  const Icon = ICONS[scheme];
  return (
    <Button
      variant="barQuiet"
      size="icon"
      aria-label={`Interface: ${WORDS[scheme]}. Change to ${WORDS[NEXT[scheme]]}`}
      title={`Interface: ${WORDS[scheme]}`}
      onClick={() => chooseScheme(NEXT[scheme])}
    >
      <Icon aria-hidden="true" />
    </Button>
  );
}
