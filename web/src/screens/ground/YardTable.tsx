import type { HeldGarden } from '../../api/merge';
import type { YardSun } from '../../api/types';
import { useRegional, useUnits } from '../../kit/preferences';
import { sameThing, siteOf, thingOf } from './things';
import type { Thing } from './things';
import { boundsOf } from './yardScale';
import type { PointM } from './yardScale';

interface Row {
  thing: Thing;
  name: string;
  kind: string;
  at: PointM | null;
  size: string;
  height: string;
  sun: string;
}

interface Props {
  state: HeldGarden;
  sun: YardSun | undefined;
  chosen: Thing | null;
  onChoose: (thing: Thing) => void;
}

/** Everything drawn in the yard as a table: it reads, copies and chooses like the drawing. */
export function YardTable({ state, sun, chosen, onChoose }: Props) {
  const units = useUnits();
  const say = useRegional();
  const site = siteOf(state.plan);
  const across = (points: readonly PointM[]) => {
    const { x0, y0, x1, y1 } = boundsOf(points);
    return `${units.distance(round(x1 - x0))} × ${units.distance(round(y1 - y0))}`;
  };
  const rows: Row[] = [
    ...state.report.places.map((report): Row => {
      const place = state.plan.places.find((p) => p.id === report.id);
      const hours = sun?.places[report.id];
      return {
        thing: { kind: 'place', id: report.id },
        name: place?.name ?? report.id,
        kind: place?.kind ?? '',
        at: place?.at_m ?? null,
        size: report.ground.outer_m.length > 0 ? across(report.ground.outer_m) : '',
        height: units.length(report.wall_cm),
        sun: hours === undefined ? '' : hours.toFixed(1),
      };
    }),
    ...site.obstacles.map((o): Row => {
      const { x0, y0 } = boundsOf(o.outline_m);
      return {
        thing: thingOf(o),
        name: o.name ?? '',
        kind: o.kind ?? 'obstacle',
        at: [x0, y0],
        size: across(o.outline_m),
        height: units.distance(o.height_m),
        sun: '',
      };
    }),
    ...site.paths.map((path, index): Row => ({
      thing: { kind: 'path', index },
      name: path.name ?? '',
      kind: say(`path for ${path.use ?? 'feet'}`),
      at: path.line_m[0] ?? null,
      size: `${units.length(path.width_cm)} wide`,
      height: '',
      sun: '',
    })),
    ...site.taps.map((tap, index): Row => ({
      thing: { kind: 'tap', index },
      name: tap.name ?? '',
      kind: say('tap'),
      at: tap.at_m,
      size: tap.hose_m ? `hose ${units.distance(tap.hose_m)}` : '',
      height: '',
      sun: '',
    })),
    ...site.tanks.map((tank, index): Row => ({
      thing: { kind: 'tank', index },
      name: tank.name ?? '',
      kind: say('butt'),
      at: tank.at_m,
      size: units.volume(tank.litres),
      height: '',
      sun: '',
    })),
    ...site.sun_seen.map((patch, index): Row => ({
      thing: { kind: 'sun', index },
      name: '',
      kind: `${patch.sun} sun, as seen`,
      at: patch.at_m,
      size: `${units.distance(round(patch.width_m))} × ${units.distance(round(patch.length_m))}`,
      height: '',
      sun: '',
    })),
    ...(site.door_m
      ? [
          {
            thing: { kind: 'door' } as const,
            name: 'door',
            kind: 'door',
            at: site.door_m,
            size: '',
            height: '',
            sun: '',
          },
        ]
      : []),
  ];
  return (
    <table className="w-full">
      <caption className="sr-only">Everything drawn in the yard</caption>
      <thead className="text-left text-muted">
        <tr>
          {['Name', 'Kind', 'From the left', 'From below', 'Size', 'Height', 'Sun, h'].map(
            (head) => (
              <th key={head} scope="col" className="pr-3 font-normal">
                {head}
              </th>
            ),
          )}
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr
            key={JSON.stringify(row.thing)}
            className={`border-t border-faint ${sameThing(row.thing, chosen) ? 'bg-wash' : ''}`}
          >
            <th scope="row" className="pr-3 text-left">
              <button type="button" className="press" onClick={() => onChoose(row.thing)}>
                {row.name || row.kind}
              </button>
            </th>
            <td className="pr-3">{row.kind}</td>
            <td className="pr-3">{row.at ? units.distance(round(row.at[0])) : 'not placed'}</td>
            <td className="pr-3">{row.at ? units.distance(round(row.at[1])) : ''}</td>
            <td className="pr-3">{row.size}</td>
            <td className="pr-3">{row.height}</td>
            <td>{row.sun}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const round = (m: number) => Math.round(m * 100) / 100;
