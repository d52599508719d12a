import { useState, type DragEvent } from 'react';

/** Lets files be dropped on an element: whether they are over it, and the handlers to put on it. */
export function useFileDrop(onDrop: (data: DataTransfer) => void) {
  const [over, setOver] = useState(false);
  return {
    over,
    handlers: {
      onDragOver: (event: DragEvent) => {
        event.preventDefault();
        setOver(true);
      },
      onDragLeave: () => setOver(false),
      onDrop: (event: DragEvent) => {
        event.preventDefault();
        setOver(false);
        onDrop(event.dataTransfer);
      },
    },
  };
}
