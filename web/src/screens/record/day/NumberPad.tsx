const KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '.', '0'] as const;

interface Props {
  line: string;
  /** The unit that weights are entered in, and the smaller one beside it. */
  units: readonly [string, string];
  onLine: (line: string) => void;
}

/** Figures under the thumb: a weight typed without the keyboard of the phone. */
export function NumberPad({ line, units, onLine }: Props) {
  const typed = (key: string) => {
    const begun = /[\d.]$/.test(line) || line === '' || line.endsWith(' ');
    onLine(`${line}${begun ? '' : ' '}${key}`);
  };
  const unit = (name: string) => onLine(`${line.replace(/\s*(kg|g|lb|oz)?\s*$/, '')} ${name}`);
  return (
    <div role="group" aria-label="Number pad" className="grid grid-cols-4 gap-2 py-2">
      {KEYS.map((key) => (
        <button key={key} type="button" className="act min-h-14 text-xl" onClick={() => typed(key)}>
          {key}
        </button>
      ))}
      <button
        type="button"
        className="act min-h-14 text-xl"
        aria-label="Delete the last"
        onClick={() => onLine(line.slice(0, -1))}
      >
        ←
      </button>
      {units.map((name) => (
        <button
          key={name}
          type="button"
          className="act col-span-2 min-h-14 text-xl"
          onClick={() => unit(name)}
        >
          {name}
        </button>
      ))}
    </div>
  );
}
