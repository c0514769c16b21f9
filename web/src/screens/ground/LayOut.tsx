import { Link } from 'react-router';

import type { HeldGarden } from '../../api/merge';
import type { Edit, Place } from '../../api/types';
import { useRegional, useUnits } from '../../kit/preferences';
import { middleOf, NEW_THINGS, siteOf } from './things';
import type { NewThing, Thing } from './things';
import { spotKeys, useSpot } from '../../shared/useSpot';

interface Props {
  state: HeldGarden;
  onAdd: (edit: Edit, thing: Thing) => void;
  onEdit: (edit: Edit) => void;
}

/** What can be laid out in the yard; everything here counts in the sun, the reach or the water. */
export function LayOut({ state, onAdd, onEdit }: Props) {
  const units = useUnits();
  const say = useRegional();
  const site = siteOf(state.plan);
  const middle = middleOf(site, units.snapM);
  const find = useSpot(state.head.slug);
  const putInYard = async (place: Place) => {
    const spot = await find({ ...place });
    if (spot) onEdit({ do: 'change-place', id: place.id, changes: spotKeys(spot) });
  };
  const unplaced = state.plan.places.filter((p) => !p.at_m && !p.stands_on);
  const offer = (what: NewThing) => (
    <button
      key={what.label}
      type="button"
      className="press mr-3"
      onClick={() => onAdd(what.add(site, middle, say(what.label)), what.thing(site))}
    >
      {say(what.label)}
    </button>
  );
  const rows = [
    [
      'Place',
      <Link key="place" className="press" to={`/gardens/${state.head.slug}/places/new?from=ground`}>
        bed or container
      </Link>,
    ],
    ['Casts shade', NEW_THINGS.shade.map(offer)],
    ['Water and ways', NEW_THINGS.water.map(offer)],
    ...(site.obstacles.length === 0 ? [['Sun as seen', NEW_THINGS.sun.map(offer)] as const] : []),
  ] as const;
  return (
    <section aria-labelledby="lay-out">
      <h2 id="lay-out" className="text-base">
        Lay out
      </h2>
      <dl>
        {rows.map(([term, value]) => (
          <div key={term} className="flex gap-3">
            <dt className="w-28 shrink-0">{term}</dt>
            <dd>{value}</dd>
          </div>
        ))}
      </dl>
      {unplaced.length > 0 && (
        <>
          <p className="mt-2 text-muted">Not in the yard yet:</p>
          <ul>
            {unplaced.map((place) => (
              <li key={place.id} className="flex justify-between">
                <span>{place.name ?? place.id}</span>
                <button type="button" className="press" onClick={() => void putInYard(place)}>
                  Add to the yard
                </button>
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}
