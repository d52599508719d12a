import { Upload } from 'lucide-react';
import { useId } from 'react';
import { useFileDrop } from '../shell/useFileDrop';

/** A place to drop files on, or to choose them with; what was refused is named beside it. */
export function DropField({
  label,
  accept,
  busy,
  problems,
  onFiles,
}: {
  label: string;
  /** Endings and types, as `accept` has them. */
  accept: string;
  busy: boolean;
  problems: readonly string[];
  onFiles: (files: readonly File[]) => void;
}) {
  const id = useId();
  const take = (list: FileList | null) => {
    const files = [...(list ?? [])];
    if (files.length) onFiles(files);
  };
  const { over, handlers } = useFileDrop((data) => take(data.files));
  return (
    <div className="drop-field" data-over={over ? '' : undefined} {...handlers}>
      <label htmlFor={id} className="small-button">
        <Upload aria-hidden="true" />
        {busy ? 'Uploading…' : label}
      </label>
      <input
        id={id}
        type="file"
        multiple
        accept={accept}
        disabled={busy}
        onChange={(event) => {
          take(event.target.files);
          // The same file may be chosen again after it was mended.
          event.target.value = '';
        }}
      />
      <span className="small">or drop it here</span>
      {problems.length ? (
        <div role="alert" className="problem">
          {problems.map((problem) => (
            <div key={problem}>{problem}</div>
          ))}
        </div>
      ) : null}
    </div>
  );
}
