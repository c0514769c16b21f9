import { ChoiceField, DayField, LengthField, NumberField } from '../../kit/form';
import type { Options } from '../../kit/Choice';
import { useUnits } from '../../kit/preferences';
import { useCoverings } from '../../api/useSoil';
import { readLength } from '../../kit/units';
import type { Draft } from '../../edits/placeDraft';
import { LAYOUTS, WALLS } from '../../shared/words';
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

const GRIDS = [
  ['fitted', 'fitted, no strip left'],
  ['exact', 'exact, a strip may be left'],
] as const;
const PATHS: Options<string> = [
  ['bare', 'laid, not covered'],
  ['no', 'none'],
];
const OWN_LAYOUTS: Options<Draft['layout']> = [['', 'as the garden'], ...LAYOUTS];
const OWN_WALLS: Options<Draft['walls']> = [['', 'as the garden'], ...WALLS];

const FITTED: readonly Draft['outline'][] = ['rectangle', 'border', 'mound'];
const STRAIGHT: readonly Draft['outline'][] = ['rectangle', 'border', 'l', 'u'];

/** The measures that its outline is given by. */
export function OutlineFields({ typed, slug }: { typed: PlaceDraft; slug: string }) {
  const units = useUnits();
  const { form, layAlong } = typed;
  const { measured, outline, width, thickness, along } = form.typed;
  return (
    <>
      {(outline === 'round' || outline === 'ring') && (
        <LengthField form={form} name="width" label={`Diameter, ${measured}`} />
      )}
      {outline === 'round' && (
        <LengthField
          form={form}
          name="foot"
          label="Diameter at the foot"
          hint="Leave blank if it is as wide."
        />
      )}
      {outline === 'mound' && <LengthField form={form} name="width" label="Width on top" />}
      {outline === 'mound' && <LengthField form={form} name="length" label="Length on top" />}
      {outline === 'mound' && (
        <NumberField form={form} name="slope" label="Side slope (run per rise)" />
      )}
      {STRAIGHT.includes(outline) && (
        <LengthField form={form} name="width" label={`Width, ${measured}`} />
      )}
      {outline === 'border' && (
        <Along
          slug={slug}
          widthCm={readLength(width, units.system)}
          wallCm={readLength(thickness, units.system)}
          value={along}
          fault={form.fault('along')}
          onChange={layAlong}
        />
      )}
      {STRAIGHT.includes(outline) && (
        <LengthField form={form} name="length" label={`Length, ${measured}`} />
      )}
      {(outline === 'l' || outline === 'u') && (
        <LengthField form={form} name="arm" label="Width of an arm" />
      )}
      {outline === 'ring' && <LengthField form={form} name="arm" label="From rim to hole" />}
      <LengthField
        form={form}
        name="wall"
        label={outline === 'mound' ? 'Height' : 'Wall height'}
        hint="How deep it could be filled."
      />
      {outline === 'mound' && (
        <MoundEarth
          draft={form.typed}
          onHeight={(cm, earth) => {
            form.set('wall', cm);
            form.set('earth', earth);
          }}
        />
      )}
    </>
  );
}

/** Its walls: how thick, of what, and where they were measured. */
export function WallFields({ typed }: { typed: PlaceDraft }) {
  const { form } = typed;
  const { outline, kind, material } = form.typed;
  const walled = outline !== 'mound' && outline !== 'drawn';
  return (
    <>
      <LengthField form={form} name="gap" label="Gap below the rim" />
      {walled && <LengthField form={form} name="thickness" label="Wall thickness" />}
      {walled && <ChoiceField form={form} name="measured" label="Measured" options={MEASURED} />}
      {(kind === 'framed' || kind === 'container') && (
        <MaterialChoice
          use={kind === 'container' ? 'container' : 'frame'}
          value={material}
          onChange={(v) => form.set('material', v)}
        />
      )}
    </>
  );
}

/** Its bottom, what lies below it, and how its depth is judged. */
export function GroundFields({ typed }: { typed: PlaceDraft }) {
  const { form } = typed;
  const { bottom } = form.typed;
  return (
    <>
      <ChoiceField form={form} name="bottom" label="Bottom" options={BOTTOMS} />
      {bottom === 'rotting' && (
        <DayField
          form={form}
          name="laid"
          label="Card laid on"
          hint="It stops roots for a season, then opens."
        />
      )}
      <LengthField form={form} name="loosened" label="Loosened below" />
      <ChoiceField form={form} name="native" label="Ground below that" options={NATIVES} />
      <ChoiceField form={form} name="policy" label="Depth standard" options={POLICIES} />
    </>
  );
}

/** Its squares, and the schools that are followed in them. */
export function SquareFields({ typed, isNew }: { typed: PlaceDraft; isNew: boolean }) {
  const { form } = typed;
  return (
    <>
      <LengthField form={form} name="cell" label="Side of a square" />
      {isNew && FITTED.includes(form.typed.outline) && (
        <ChoiceField form={form} name="grid" label="Squares" options={GRIDS} />
      )}
      <ChoiceField form={form} name="layout" label="Set out" options={OWN_LAYOUTS} />
      <ChoiceField form={form} name="walls" label="Distance from walls" options={OWN_WALLS} />
    </>
  );
}

/** Several of its kind, in one step. */
export function SeveralFields({ typed, inYard }: { typed: PlaceDraft; inYard: boolean }) {
  const { form } = typed;
  const coverings = useCoverings();
  const paths = [...PATHS, ...coverings.map(([id, label]) => [id, `laid with ${label}`] as const)];
  return (
    <>
      <NumberField form={form} name="count" label="How many" />
      <NumberField
        form={form}
        name="abreast"
        label="Side by side"
        placeholder="all"
        hint="The others stand behind."
      />
      <LengthField form={form} name="between" label="Gap between them" />
      {inYard && (
        <ChoiceField form={form} name="paths" label="Paths between them" options={paths} />
      )}
    </>
  );
}

/** Its light, and what stands in it. */
export function LightFields({ typed }: { typed: PlaceDraft }) {
  const units = useUnits();
  const { form } = typed;
  const { outline, system } = form.typed;
  return (
    <>
      <NumberField
        form={form}
        name="sun"
        label="Hours of sun"
        hint="Counted on a clear day; leave blank if not known."
      />
      {outline !== 'round' && outline !== 'border' && (
        <NumberField
          form={form}
          name="heading"
          label="Bearing of the long side, degrees"
          hint="0 north, 90 east, 180 south."
        />
      )}
      {outline !== 'round' && (
        <SupportChoice
          value={system}
          onChange={(chosen, heightCm) => {
            form.set('system', chosen);
            form.set('net', chosen === '' ? '' : units.toField(heightCm));
          }}
        />
      )}
      {outline !== 'round' && system !== '' && (
        <LengthField form={form} name="net" label="Support height" />
      )}
    </>
  );
}
