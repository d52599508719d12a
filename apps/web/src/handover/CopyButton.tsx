import { Check, Copy } from 'lucide-react';
import { useState } from 'react';
import { toaster } from '../shell/toasts';
import { Button } from '../theme/Button';

/** Copies a text, and says so. */
export function CopyButton({ text, label }: { text: string; label: string }) {
  const [done, setDone] = useState(false);
  const copy = async () => {
    try {
      await navigator.clipboard.writeText(text);
      setDone(true);
      setTimeout(() => setDone(false), 2500);
    } catch {
      toaster.create({
        title: 'The browser does not allow copying here. Download the file, or select the text and copy it.',
      });
    }
  };
  return (
    <Button onClick={() => void copy()}>
      {done ? <Check aria-hidden="true" /> : <Copy aria-hidden="true" />}
      {done ? 'Copied' : label}
    </Button>
  );
}
