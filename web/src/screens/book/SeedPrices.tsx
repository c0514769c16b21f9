import type { HeldGarden } from '../../api/merge';
import type { Edit, SeedChoice, ShoppingRow } from '../../api/types';
import { NumberField, useTyped } from '../../kit/form';
import { textOf } from '../../kit/reader';
import { money } from '../../kit/units';

interface Props {
  state: HeldGarden;
  row: ShoppingRow;
  onEdit: (edit: Edit) => void;
  onDone: () => void;
}

/** What one crop costs as seed, plants or sets, and which way its plants come. */
export function SeedPrices({ state, row, onEdit, onDone }: Props) {
  const box = state.plan.seed_box;
  const own = box?.choices.find((choice) => choice.crop === row.crop);
  const raises = row.ways.length > 0;
  const choicesWith = (changes: Partial<SeedChoice>) => [
    ...(box?.choices ?? []).filter((choice) => choice.crop !== row.crop),
    { ...own, ...changes, crop: row.crop },
  ];
  const form = useTyped(
    {
      packet: textOf(own?.packet),
      plant: textOf(own?.plant),
      sold: textOf(own?.sold),
      raising: textOf(box?.raising),
    },
    (read) => ({
      choices: choicesWith({
        packet: read.number('packet', 0),
        plant: read.number('plant', 0),
        sold: read.number('sold', 0),
      }).map(withoutBlanks),
      raising: read.number('raising', 0),
    }),
  );
  const bySeed = row.unit === 'seeds' || raises;
  return (
    <form
      aria-labelledby="seed-prices"
      onSubmit={form.sent((changes) => {
        onEdit({ do: 'change-seed-box', changes });
        onDone();
      })}
    >
      <h2 id="seed-prices" className="mb-1 text-base first-letter:uppercase">
        {`${row.name}: prices`}
      </h2>
      <div className="grid grid-cols-2 gap-x-3 gap-y-1">
        {bySeed && <NumberField form={form} name="packet" label="A packet" />}
        {bySeed && <NumberField form={form} name="plant" label="One plant" />}
        {!bySeed && <NumberField form={form} name="sold" label="Price as sold" />}
        {raises && (
          <NumberField
            form={form}
            name="raising"
            label="Cost of raising one"
            hint="Pot, mix and light."
          />
        )}
      </div>
      {raises && (
        <fieldset className="mt-2">
          <legend className="text-[12.5px] text-muted">Its plants are</legend>
          {row.ways.map((way, index) => (
            <label key={way.way} className="flex items-center gap-2">
              <input
                type="radio"
                name="way"
                checked={way.chosen}
                onChange={() =>
                  onEdit({
                    do: 'change-seed-box',
                    changes: {
                      choices: choicesWith({ buy_plants: index === 1 }).map(withoutBlanks),
                    },
                  })
                }
              />
              <span className="grow">{way.way}</span>
              <span className="font-semibold">
                {way.cost === null ? `no price for ${way.missing}` : money(way.cost)}
              </span>
            </label>
          ))}
        </fieldset>
      )}
      <p className="mt-2 flex items-baseline gap-4">
        <button type="submit" className="act act-main">
          Save
        </button>
        <button type="button" className="press" onClick={onDone}>
          Close
        </button>
      </p>
    </form>
  );
}

/** A choice without what is not known. */
function withoutBlanks(choice: SeedChoice): SeedChoice {
  return Object.fromEntries(
    Object.entries(choice).filter(([, value]) => value !== null && value !== undefined),
  ) as SeedChoice;
}
