import { Choice } from '../../kit/Choice';
import { Field } from '../../kit/Field';
import { TypedField } from '../../kit/TypedField';
import { useUnits } from '../../kit/preferences';
import { readLength } from '../../kit/units';
import type { Draft, LengthKey } from '../../edits/placeDraft';
import { Along } from './Along';
import { MaterialChoice } from './MaterialChoice';
import { MoundEarth } from './MoundEarth';
import { SupportChoice } from './SupportChoice';
import type { PlaceDraft } from './usePlaceDraft';

const MEASURED = [
  ['inside', 'inside the walls'],
  ['outside', 'outside, walls included'],
] as const;
const BOTTOMS = [
  ['open', 'open to the ground'],
  ['mesh', 'mesh: animals stop, roots pass'],
  ['rotting', 'card or paper that rots'],
  ['lined', 'lined: roots stop'],
  ['closed', 'closed'],
] as const;
const NATIVES = [
  ['', 'not known'],
  ['compacted', 'compacted'],
  ['ordinary', 'ordinary soil'],
  ['loose', 'loose soil'],
] as const;
const POLICIES = [
  ['', 'as the garden'],
  ['shallow', 'shallow, rich mix'],
  ['standard', 'standard'],
  ['deep', 'deep, loosened'],
] as const;

const STRAIGHT: readonly Draft['outline'][] = ['rectangle', 'border', 'l', 'u'];

/** A length of the place, in the grower's units. */
function Length({
  typed: { draft, faults, set },
  of,
  label,
  hint,
}: {
  typed: PlaceDraft;
  of: LengthKey;
  label: string;
  hint?: string;
}) {
  const units = useUnits();
  return (
    <TypedField
      label={`${label}, ${units.lengthUnit}`}
      value={draft[of]}
      fault={faults[of]}
      hint={hint}
      onChange={(v) => set(of, v)}
    />
  );
}

/** The measures that its outline is given by. */
export function OutlineFields({ typed, slug }: { typed: PlaceDraft; slug: string }) {
  const units = useUnits();
  const { draft, set, faults, border, along, layAlong } = typed;
  const { measured, outline } = draft;
  return (
    <>
      {(outline === 'round' || outline === 'ring') && (
        <Length typed={typed} of="width" label={`Diameter, ${measured}`} />
      )}
      {outline === 'round' && (
        <Length
          typed={typed}
          of="foot"
          label="Diameter at the foot"
          hint="Leave blank if it is as wide."
        />
      )}
      {outline === 'mound' && <Length typed={typed} of="width" label="Width on top" />}
      {outline === 'mound' && <Length typed={typed} of="length" label="Length on top" />}
      {outline === 'mound' && (
        <TypedField
          label="Side slope (run per rise)"
          value={draft.slope}
          fault={faults.slope}
          onChange={(v) => set('slope', v)}
        />
      )}
      {STRAIGHT.includes(outline) && (
        <Length typed={typed} of="width" label={`Width, ${measured}`} />
      )}
      {outline === 'border' && (
        <Along
          slug={slug}
          widthCm={readLength(draft.width, units.system)}
          wallCm={readLength(draft.thickness, units.system)}
          value={border?.label ?? ''}
          fault={along}
          onChange={layAlong}
        />
      )}
      {STRAIGHT.includes(outline) && (
        <Length typed={typed} of="length" label={`Length, ${measured}`} />
      )}
      {(outline === 'l' || outline === 'u') && (
        <Length typed={typed} of="arm" label="Width of an arm" />
      )}
      {outline === 'ring' && <Length typed={typed} of="arm" label="From rim to hole" />}
      {outline !== 'mound' && outline !== 'drawn' && (
        <Length typed={typed} of="thickness" label="Wall thickness" />
      )}
      {outline !== 'mound' && outline !== 'drawn' && (
        <Choice
          label="Measured"
          value={measured}
          options={MEASURED}
          onChange={(v) => set('measured', v)}
        />
      )}
    </>
  );
}

/** Its walls, and what lies below it. */
export function DepthFields({ typed }: { typed: PlaceDraft }) {
  const { draft, set } = typed;
  const { outline } = draft;
  return (
    <>
      <Length
        typed={typed}
        of="wall"
        label={outline === 'mound' ? 'Height' : 'Wall height'}
        hint="How deep it could be filled."
      />
      {outline === 'mound' && <MoundEarth draft={draft} onHeight={(cm) => set('wall', cm)} />}
      <Length typed={typed} of="gap" label="Gap below the rim" />
      <Choice
        label="Bottom"
        value={draft.bottom}
        options={BOTTOMS}
        onChange={(v) => set('bottom', v)}
      />
      {draft.bottom === 'rotting' && (
        <Field label="Card laid on" hint="It stops roots for a season, then opens.">
          <input
            type="date"
            value={draft.laid}
            onChange={(event) => set('laid', event.target.value)}
          />
        </Field>
      )}
      {(draft.kind === 'framed' || draft.kind === 'container') && (
        <MaterialChoice
          use={draft.kind === 'container' ? 'container' : 'frame'}
          value={draft.material}
          onChange={(v) => set('material', v)}
        />
      )}
      <Length typed={typed} of="loosened" label="Loosened below" />
      <Choice
        label="Ground below that"
        value={draft.native}
        options={NATIVES}
        onChange={(v) => set('native', v)}
      />
      <Length typed={typed} of="cell" label="Side of a square" />
    </>
  );
}

/** Its light, what stands in it, and how its depth is judged. */
export function LightFields({ typed }: { typed: PlaceDraft }) {
  const units = useUnits();
  const { draft, set, faults } = typed;
  return (
    <>
      <TypedField
        label="Hours of sun"
        value={draft.sun}
        fault={faults.sun}
        hint="Counted on a clear day; leave blank if not known."
        onChange={(v) => set('sun', v)}
      />
      {draft.outline !== 'round' && draft.outline !== 'border' && (
        <TypedField
          label="Bearing of the long side, degrees"
          value={draft.heading}
          fault={faults.heading}
          hint="0 north, 90 east, 180 south."
          onChange={(v) => set('heading', v)}
        />
      )}
      {draft.outline !== 'round' && (
        <SupportChoice
          value={draft.system}
          onChange={(system, heightCm) => {
            set('system', system);
            set('net', system === '' ? '' : units.toField(heightCm));
          }}
        />
      )}
      {draft.outline !== 'round' && draft.system !== '' && (
        <Length typed={typed} of="net" label="Support height" />
      )}
      <Choice
        label="Depth standard"
        value={draft.policy}
        options={POLICIES}
        onChange={(v) => set('policy', v)}
      />
    </>
  );
}
