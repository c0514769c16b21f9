import { useEditor } from '../../api/garden';
import type { HeldGarden } from '../../api/merge';
import { MeasureField, NumberField, useTyped } from '../../kit/form';
import { measureText } from '../../kit/measures';
import { useRegional, useUnits } from '../../kit/preferences';
import type { Reader } from '../../kit/reader';
import type { UnitSystem } from '../../kit/units';

const MEASURES = ['handful', 'scoop', 'can', 'bucket', 'barrow'] as const;
const MOST = 1000;
type Held = Partial<Record<(typeof MEASURES)[number], number | null>>;

/** What is usual is no more exact than two figures. */
const roughly = (text: string) => String(Number(Number(text).toPrecision(2)));

const typedOf = (held: Held, system: UnitSystem) =>
  Object.fromEntries(
    MEASURES.flatMap((name) => [
      [`times ${name}`, held[name] ? '1' : ''],
      [name, measureText(held[name], 'L by hand', system)],
    ]),
  );

/** What one of each holds; null where none of them was filled. */
function readOf(read: Reader<Record<string, string>>): Held | null {
  const held = MEASURES.map((name) => {
    const litres = read.measure(name, 'L by hand', 0.01, MOST);
    const counted = read.number(`times ${name}`, 0.5, MOST);
    if (counted !== null && counted !== 1 && litres === null)
      read.fault(name, 'Enter what they fill.');
    const times = counted ?? 1;
    return [name, litres === null ? null : litres / times] as const;
  });
  const own = held.filter(([, litres]) => litres !== null);
  return own.length > 0 ? Object.fromEntries(own) : null;
}

/** The grower's own handful, scoop, can, bucket and barrow, each filled and counted once. */
export function OwnMeasures({ state }: { state: HeldGarden }) {
  const editor = useEditor(state.head.slug);
  const { system } = useUnits();
  const say = useRegional();
  const form = useTyped(typedOf(state.plan.garden.measures ?? {}, system), readOf);
  const example = system === 'imperial' ? '13 handfuls fill 1 qt' : '14 handfuls fill 1 L';
  return (
    <section aria-labelledby="measures">
      <h2 id="measures" className="mb-1 text-base">
        Your own measures
      </h2>
      <p className="mb-2 text-muted">
        {say(
          `Fill something of a known size and count: ${example}. After that “3 barrows” can be typed wherever a volume is asked for.`,
        )}
      </p>
      <form
        className="grid grid-cols-[5rem_1fr_1fr] items-end gap-x-4 gap-y-1"
        aria-label="Your own measures"
        onSubmit={form.sent((measures) =>
          editor.edit({ do: 'change-garden', changes: { measures } }),
        )}
      >
        {MEASURES.map((name) => [
          <span key={name} className="pb-1 first-letter:uppercase">
            {say(name)}
          </span>,
          <NumberField
            key={`times ${name}`}
            form={form}
            name={`times ${name}`}
            label={say(`How many ${name}s`)}
            placeholder="1"
          />,
          <MeasureField
            key={`fill ${name}`}
            form={form}
            name={name}
            label="fill"
            unit="L by hand"
            placeholder={roughly(measureText(state.report.measures[name], 'L by hand', system))}
          />,
        ])}
        <p className="col-span-full pt-1">
          <button type="submit" className="act">
            Save the measures
          </button>
        </p>
      </form>
    </section>
  );
}
