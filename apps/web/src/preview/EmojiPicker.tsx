import { Picker } from 'emoji-picker-element';
import data from 'emoji-picker-element-data/en/emojibase/data.json?url';
import { useEffect, useRef } from 'react';

/** Emoji by group and by name, out of data that come with the application. */
export default function EmojiPicker({ onPick }: { onPick: (emoji: string) => void }) {
  const holder = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const picker = new Picker({ dataSource: data });
    const pick = (event: Event) => {
      const { unicode } = (event as CustomEvent<{ unicode?: string }>).detail;
      if (unicode) onPick(unicode);
    };
    picker.addEventListener('emoji-click', pick);
    holder.current?.append(picker);
    return () => {
      picker.removeEventListener('emoji-click', pick);
      picker.remove();
    };
  }, [onPick]);
  return <div ref={holder} className="emoji" />;
}
