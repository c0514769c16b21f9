import { useState } from 'react';
import type { ReactNode } from 'react';
import { useParams } from 'react-router';

import type { HeldGarden } from '../../api/merge';
import { Choice } from '../../kit/Choice';
import type { Draft } from '../../edits/placeDraft';
import { ChoiceField, TextField } from '../../kit/form';
import { OverTheYears } from './OverTheYears';
import {
  GroundFields,
  LightFields,
  OutlineFields,
  SeveralFields,
  SquareFields,
  WallFields,
} from './PlaceFields';
import { BreakingFields } from './BreakingFields';
import { PatternFields } from './PatternFields';
import { OwnEarth } from './OwnEarth';
import { PlaceSketch } from './PlaceSketch';
import { usePlaceDraft } from './usePlaceDraft';

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

/** A place added or changed: measures, what lies below, sun and a net. */
export function PlaceForm({ state }: { state: HeldGarden }) {
  const { place: id } = useParams();
  const before = state.plan.places.find((p) => p.id === id);
  const typed = usePlaceDraft(state, before);
  const { form, hasYard } = typed;
  const faulty = (...names: (keyof Draft)[]) =>
    names.some((name) => form.fault(name) !== undefined);
  const outlines = before || !hasYard ? OUTLINES.filter(([id]) => id !== 'border') : OUTLINES;
  return (
    <main className="max-w-5xl overflow-y-auto p-6">
      <h1 className="text-xl">{before ? `Edit ${before.name ?? before.id}` : 'Add a place'}</h1>
      <p className="mb-4 text-muted">Inside measures count: walls take ground from both sides.</p>
      <form onSubmit={typed.save} className="grid gap-x-8 gap-y-4 lg:grid-cols-[1fr_440px]">
        <div>
          <div className="grid grid-cols-1 gap-x-6 gap-y-3 sm:grid-cols-2">
            <TextField form={form} name="name" label="Name" />
            <Choice
              label="Kind"
              value={form.typed.kind}
              options={KINDS}
              onChange={(kind) => {
                form.set('kind', kind);
                form.set('material', '');
                // A pot has a floor, a bed has the ground below: as long as nothing else was said.
                if (!before) form.set('bottom', kind === 'container' ? 'closed' : 'open');
              }}
            />
            {form.typed.outline === 'drawn' ? (
              <p className="self-end pb-1 text-muted">Its outline is kept as it is in the plan.</p>
            ) : (
              <ChoiceField form={form} name="outline" label="Outline" options={outlines} />
            )}
            <OutlineFields typed={typed} slug={state.head.slug} />
          </div>
          {!before && (
            <Folded title="Several at once" faulty={faulty('count', 'abreast', 'between')}>
              <SeveralFields typed={typed} inYard={hasYard} />
            </Folded>
          )}
          <Folded title="Walls" faulty={faulty('gap', 'thickness')}>
            <WallFields typed={typed} />
          </Folded>
          <Folded
            title="Bottom, earth and ground below"
            faulty={faulty('loosened', 'earth', 'passes')}
          >
            <GroundFields typed={typed} />
            {form.typed.kind !== 'container' && <BreakingFields typed={typed} />}
            {form.typed.kind !== 'container' && (
              <OwnEarth typed={typed} state={state} before={before} />
            )}
          </Folded>
          <Folded title="Sun and support" faulty={faulty('sun', 'heading', 'net')}>
            <LightFields typed={typed} />
          </Folded>
          <Folded
            title="Drip lines, or cloth with holes"
            faulty={faulty('linesApart', 'spotsApart')}
          >
            <PatternFields typed={typed} />
          </Folded>
          <Folded title="Squares and spacing" faulty={faulty('cell')}>
            <SquareFields typed={typed} isNew={before === undefined} />
          </Folded>
          <Ending
            isNew={before === undefined}
            planted={state.plan.plantings.filter((p) => p.place === before?.id).length}
            onRemove={() => void typed.remove()}
          />
        </div>
        <PlaceSketch state={state} draft={form.typed} before={before} set={form.set} />
      </form>
      {before && <OverTheYears state={state} place={before} />}
    </main>
  );
}

/** Fields that are seldom changed, folded under what they are about; open where one is faulty. */
function Folded({
  title,
  faulty,
  children,
}: {
  title: string;
  faulty: boolean;
  children: ReactNode;
}) {
  const [open, setOpen] = useState(false);
  return (
    <details
      className="mt-2 border-t border-faint pt-1"
      // What a fault has opened stays open while it is put right.
      open={open || faulty}
      onToggle={(event) => setOpen(event.currentTarget.open)}
    >
      <summary className="press">{title}</summary>
      <div className="grid grid-cols-1 gap-x-6 gap-y-3 py-2 sm:grid-cols-2">{children}</div>
    </details>
  );
}

interface EndingProps {
  isNew: boolean;
  planted: number;
  onRemove: () => void;
}

/** What ends the form: save it, or delete the place, which is asked twice. */
function Ending({ isNew, planted, onRemove }: EndingProps) {
  const [sure, setSure] = useState(false);
  return (
    <p className="col-span-full mt-2 flex flex-wrap gap-3">
      <button type="submit" className="act act-main">
        {isNew ? 'Add the place' : 'Save the place'}
      </button>
      {!isNew && !sure && (
        <button type="button" className="act" onClick={() => setSure(true)}>
          Delete
        </button>
      )}
      {!isNew && sure && (
        <>
          <button type="button" className="act act-main" onClick={onRemove}>
            {`Delete it with its ${planted} plantings`}
          </button>
          <button type="button" className="act" onClick={() => setSure(false)}>
            Cancel
          </button>
        </>
      )}
    </p>
  );
}
