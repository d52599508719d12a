/** Keywords to choose from, the one that holds pressed. */
export function Choices({
  label,
  words,
  value,
  onChoose,
}: {
  label: string;
  words: readonly string[];
  value: string;
  onChoose: (word: string) => void;
}) {
  return (
    <div className="choices" role="group" aria-label={label}>
      {words.map((word) => (
        <button key={word} type="button" aria-pressed={word === value} onClick={() => onChoose(word)}>
          {word}
        </button>
      ))}
    </div>
  );
}
