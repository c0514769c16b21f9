import type { HeldGarden } from '../../api/merge';
import type { Edit, Soil } from '../../api/types';
import { nextId } from '../../edits/edits';
import { MeasureField, NumberField, TextField, useTyped } from '../../kit/form';
import { textOf } from '../../kit/reader';
import { measureText } from '../../kit/measures';
import { useUnits } from '../../kit/preferences';
import { OwnList } from './OwnList';

type Own = Soil['materials'][number];

/** Materials of the grower's own: for mixes, and with what stays of them for layers. */
export function OwnMaterials({
  state,
  onEdit,
}: {
  state: HeldGarden;
  onEdit: (edit: Edit) => void;
}) {
  const own = state.plan.soil?.materials ?? [];
  const used = new Set([
    ...(state.plan.soil?.recipes ?? []).flatMap((recipe) => recipe.parts.map((part) => part.of)),
    ...state.plan.places.flatMap((place) => place.added.map((layer) => layer.material)),
  ]);
  return (
    <div className="mt-3">
      <OwnList
        items={own}
        inUse={used}
        newWords="A material of your own"
        onSave={(materials) => onEdit({ do: 'change-soil', changes: { materials } })}
        form={(material, keep) => (
          <MaterialForm material={material} taken={own.map((other) => other.id)} onSave={keep} />
        )}
      />
    </div>
  );
}

const share = (percent: number | null) => (percent === null ? null : percent / 100);
const percent = (value: number | null | undefined) =>
  textOf(value === null || value === undefined ? null : Math.round(value * 1000) / 10);

function MaterialForm({
  material,
  taken,
  onSave,
}: {
  material: Own | undefined;
  taken: readonly string[];
  onSave: (material: Own) => void;
}) {
  const { system } = useUnits();
  const first = {
    name: material?.name ?? '',
    settles: percent(material?.settling),
    holds: percent(material?.available_water),
    soaked: measureText(material?.saturated_kg_per_litre, 'kg per L', system),
    frees: measureText(material?.n_g_per_litre, 'g per L', system),
    takes: measureText(material?.n_takes_g_per_litre, 'g per L', system),
    stays: percent(material?.stays),
    fit: textOf(material?.fit_days),
  };
  const form = useTyped(first, (read): Own => {
    if (read.text('name') === null) read.fault('name', 'Enter its name.');
    const soaked = read.measure('soaked', 'kg per L', 0.05, 5);
    if (soaked === null) read.fault('soaked', 'Enter what it weighs soaked.');
    return {
      id: material?.id ?? nextId(taken, 'own-'),
      name: read.text('name'),
      settling: read.needed('settles', 0, 59) / 100,
      available_water: read.needed('holds', 1, 49) / 100,
      saturated_kg_per_litre: soaked ?? 0,
      n_g_per_litre: read.measure('frees', 'g per L', 0, 20),
      n_takes_g_per_litre: read.measure('takes', 'g per L', 0, 20),
      stays: share(read.number('stays', 1, 100)),
      fit_days: read.number('fit', 0, 2000),
    };
  });
  return (
    <form
      className="mt-1 grid grid-cols-2 gap-x-3 gap-y-1 border-t border-rule pt-1"
      aria-label="A material of your own"
      onSubmit={form.sent(onSave)}
    >
      <TextField form={form} name="name" label="Name of the material" />
      <NumberField form={form} name="settles" label="Settles by, %" />
      <NumberField form={form} name="holds" label="Water that roots can take, %" />
      <MeasureField form={form} name="soaked" label="Weighs soaked" unit="kg per L" />
      <MeasureField form={form} name="frees" label="Nitrogen freed in a year" unit="g per L" />
      <MeasureField form={form} name="takes" label="Nitrogen tied up" unit="g per L" />
      <NumberField
        form={form}
        name="stays"
        label="Laid, stays of its height, %"
        hint="Leave blank if it is only mixed."
      />
      <NumberField form={form} name="fit" label="Days until it can be planted" />
      <p className="col-span-full pt-1">
        <button type="submit" className="act act-main">
          Save the material
        </button>
      </p>
    </form>
  );
}
