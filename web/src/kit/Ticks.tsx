interface Props {
  label: string;
  options: readonly (readonly [string, string])[];
  ticked: readonly string[];
  onChange: (ticked: readonly string[]) => void;
}

/** A set of things to tick, any number of them. */
export function Ticks({ label, options, ticked, onChange }: Props) {
  return (
    <fieldset className="col-span-full">
      <legend className="text-[12.5px] text-muted">{label}</legend>
      <span className="flex flex-wrap gap-x-4">
        {options.map(([id, words]) => (
          <label key={id} className="flex items-center gap-1.5">
            <input
              type="checkbox"
              className="min-h-0"
              checked={ticked.includes(id)}
              onChange={(event) =>
                onChange(
                  event.target.checked ? [...ticked, id] : ticked.filter((other) => other !== id),
                )
              }
            />
            {words}
          </label>
        ))}
      </span>
    </fieldset>
  );
}
