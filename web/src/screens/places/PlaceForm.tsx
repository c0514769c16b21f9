import { useState } from 'react';
import type { SubmitEvent } from 'react';
import { useNavigate, useParams, useSearchParams } from 'react-router';

import { answered, api, ProblemError } from '../../api/client';
import { useEditor } from '../../api/garden';
import type { HeldGarden } from '../../api/merge';
import type { Border } from '../../api/types';
import { Choice } from '../../kit/Choice';
import { Field } from '../../kit/Field';
import { useUnits } from '../../kit/preferences';
import { spotKeys, useSpot } from '../../shared/useSpot';
import { nextId } from '../../edits/edits';
import { readLength } from '../../kit/units';
import { Along } from './Along';
import { draftOf, readDraft } from '../../edits/placeDraft';
import { MaterialChoice } from './MaterialChoice';
import { MoundEarth } from './MoundEarth';
import { OverTheYears } from './OverTheYears';
import { SupportChoice } from './SupportChoice';
import type { Draft, Faults, LengthKey } from '../../edits/placeDraft';

const KINDS = [
  ['framed', 'bed with a frame'],
  ['ground', 'bed in the ground'],
  ['container', 'container'],
  ['mound', 'mound without a frame'],
] as const;
const OUTLINES = [
  ['rectangle', 'rectangle'],
  ['round', 'round'],
  ['border', 'a border along a fence or wall'],
  ['l', 'an L'],
  ['u', 'a U'],
  ['ring', 'a ring with a hole'],
  ['mound', 'a mound, narrower on top'],
] as const;
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

/** A place added or changed: measures, what lies below, sun and a net. */
export function PlaceForm({ state }: { state: HeldGarden }) {
  const { place: id } = useParams();
  const before = state.plan.places.find((p) => p.id === id);
  const units = useUnits();
  const editor = useEditor(state.head.slug);
  const go = useNavigate();
  const [draft, setDraft] = useState<Draft>(() => draftOf(before, units));
  const [faults, setFaults] = useState<Faults>({});
  const [sure, setSure] = useState(false);
  const [chosen, setBorder] = useState<Border | null>(null);
  const [along, setAlong] = useState<string>();
  const find = useSpot(state.head.slug);
  const hasYard = Boolean(state.plan.site?.outline_m);
  const border = draft.outline === 'border' ? chosen : null;
  const set = <K extends keyof Draft>(key: K, value: Draft[K]) =>
    setDraft((now) => ({ ...now, [key]: value }));
  const from = useSearchParams()[0].get('from');
  const back = (place: string) => {
    const known = encodeURIComponent(place);
    const there = from === 'ground' || from === 'soil' ? `${from}?place=` : 'squares/';
    return go(`/gardens/${state.head.slug}/${there}${known}`);
  };

  const save = async (event: SubmitEvent) => {
    event.preventDefault();
    const { changes, form, faults: found } = readDraft(draft, units, before);
    setFaults(found);
    if (Object.keys(found).length > 0) return;
    if (form) {
      try {
        const rings = await answered(api.GET('/api/outlines', { params: { query: form } }));
        changes.shape = { ...(changes.shape as object), ...rings };
      } catch (cause) {
        if (!(cause instanceof ProblemError)) throw cause;
        setFaults({ arm: cause.message });
        return;
      }
    }
    const place =
      before?.id ??
      nextId(
        state.plan.places.map((p) => p.id),
        'place-',
      );
    const given = Object.fromEntries(Object.entries(changes).filter(([, v]) => v !== null));
    if (draft.outline === 'border' && !border) {
      setAlong('Choose what it lies along.');
      return;
    }
    const spot =
      before || !hasYard
        ? {}
        : border
          ? bordered(border)
          : spotKeys(await find({ id: place, ...given }));
    const saved = await editor.edit(
      before
        ? { do: 'change-place', id: before.id, changes }
        : { do: 'add-place', place: { id: place, ...given, ...spot } },
    );
    if (saved) void back(place);
  };
  const remove = async () => {
    if (before && (await editor.edit({ do: 'remove-place', id: before.id })))
      void go(`/gardens/${state.head.slug}`);
  };
  const { measured, outline } = draft;
  const planted = state.plan.plantings.filter((p) => p.place === before?.id).length;
  const length = (key: LengthKey, label: string, hint?: string) => (
    <Field label={`${label}, ${units.lengthUnit}`} fault={faults[key]} {...(hint ? { hint } : {})}>
      <input value={draft[key]} inputMode="decimal" onChange={(e) => set(key, e.target.value)} />
    </Field>
  );
  return (
    <main className="max-w-3xl overflow-y-auto p-6">
      <h1 className="text-xl">{before ? `Edit ${before.name ?? before.id}` : 'Add a place'}</h1>
      <p className="mb-4 text-muted">Inside measures count: walls take ground from both sides.</p>
      <form
        onSubmit={(event) => void save(event)}
        className="grid grid-cols-1 gap-x-6 gap-y-3 sm:grid-cols-3"
      >
        <Field label="Name">
          <input value={draft.name} maxLength={120} onChange={(e) => set('name', e.target.value)} />
        </Field>
        <Choice
          label="Kind"
          value={draft.kind}
          options={KINDS}
          onChange={(v) => setDraft((now) => ({ ...now, kind: v, material: '' }))}
        />
        {draft.outline === 'drawn' ? (
          <p className="self-end pb-1 text-muted">Its outline is kept as it is in the plan.</p>
        ) : (
          <Choice
            label="Outline"
            value={draft.outline}
            options={before || !hasYard ? OUTLINES.filter(([id]) => id !== 'border') : OUTLINES}
            onChange={(v) => set('outline', v)}
          />
        )}
        {(outline === 'round' || outline === 'ring') && length('width', `Diameter, ${measured}`)}
        {outline === 'round' &&
          length('foot', 'Diameter at the foot', 'Leave blank if it is as wide.')}
        {outline === 'mound' && length('width', 'Width on top')}
        {outline === 'mound' && length('length', 'Length on top')}
        {outline === 'mound' && (
          <Field label="Side slope (run per rise)" fault={faults.slope}>
            <input
              value={draft.slope}
              inputMode="decimal"
              onChange={(e) => set('slope', e.target.value)}
            />
          </Field>
        )}
        {STRAIGHT.includes(outline) && length('width', `Width, ${measured}`)}
        {outline === 'border' && (
          <Along
            slug={state.head.slug}
            widthCm={readLength(draft.width, units.system)}
            wallCm={readLength(draft.thickness, units.system)}
            value={border?.label ?? ''}
            fault={along}
            onChange={(found) => {
              setBorder(found);
              setAlong(undefined);
              set('length', units.toField(found.length_cm));
              set('heading', String(Math.round(found.heading_deg * 10) / 10));
            }}
          />
        )}
        {STRAIGHT.includes(outline) && length('length', `Length, ${measured}`)}
        {(outline === 'l' || outline === 'u') && length('arm', 'Width of an arm')}
        {outline === 'ring' && length('arm', 'From rim to hole')}
        {outline !== 'mound' && outline !== 'drawn' && length('thickness', 'Wall thickness')}
        {outline !== 'mound' && outline !== 'drawn' && (
          <Choice
            label="Measured"
            value={measured}
            options={MEASURED}
            onChange={(v) => set('measured', v)}
          />
        )}
        {length(
          'wall',
          outline === 'mound' ? 'Height' : 'Wall height',
          'How deep it could be filled.',
        )}
        {outline === 'mound' && <MoundEarth draft={draft} onHeight={(cm) => set('wall', cm)} />}
        {length('gap', 'Gap below the rim')}
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
        {length('loosened', 'Loosened below')}
        <Choice
          label="Ground below that"
          value={draft.native}
          options={NATIVES}
          onChange={(v) => set('native', v)}
        />
        {length('cell', 'Side of a square')}
        <Field
          label="Hours of sun"
          fault={faults.sun}
          hint="Counted on a clear day; leave blank if not known."
        >
          <input
            value={draft.sun}
            inputMode="decimal"
            onChange={(e) => set('sun', e.target.value)}
          />
        </Field>
        {draft.outline !== 'round' && draft.outline !== 'border' && (
          <Field
            label="Bearing of the long side, degrees"
            fault={faults.heading}
            hint="0 north, 90 east, 180 south."
          >
            <input
              value={draft.heading}
              inputMode="numeric"
              onChange={(e) => set('heading', e.target.value)}
            />
          </Field>
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
        {draft.outline !== 'round' && draft.system !== '' && length('net', 'Support height')}
        <Choice
          label="Depth standard"
          value={draft.policy}
          options={POLICIES}
          onChange={(v) => set('policy', v)}
        />
        <p className="col-span-full mt-2 flex flex-wrap gap-3">
          <button type="submit" className="act act-main">
            {before ? 'Save the place' : 'Add the place'}
          </button>
          {before && !sure && (
            <button type="button" className="act" onClick={() => setSure(true)}>
              Delete
            </button>
          )}
          {before && sure && (
            <>
              <button type="button" className="act act-main" onClick={() => void remove()}>
                {`Delete it with its ${planted} plantings`}
              </button>
              <button type="button" className="act" onClick={() => setSure(false)}>
                Cancel
              </button>
            </>
          )}
        </p>
      </form>
      {before && <OverTheYears state={state} place={before} />}
    </main>
  );
}

/** Where a border lies, as keys of a place. */
function bordered(border: Border): Record<string, unknown> {
  return { at_m: [...border.at_m], heading_deg: border.heading_deg };
}
