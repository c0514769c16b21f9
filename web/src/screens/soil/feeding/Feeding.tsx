import type { HeldGarden } from '../../../api/merge';
import type { Edit, PlaceReport } from '../../../api/types';
import { Heads } from '../../../kit/Heads';
import { useUnits } from '../../../kit/preferences';
import { money } from '../../../kit/units';
import { PlaceWorking } from '../../../shared/PlaceWorking';
import { Figure, Sum } from '../../../shared/Working';
import { dayOf, words } from '../../../kit/day';
import { FeedForm } from './FeedForm';

interface Props {
  state: HeldGarden;
  chosen: PlaceReport;
  nameOf: (id: string) => string;
  onChoose: (id: string) => void;
  onEdit: (edit: Edit) => void;
}

/** What the year's crops take from each place, what its soil frees, and the packet for the rest. */
export function Feeding({ state, chosen, nameOf, onChoose, onEdit }: Props) {
  const units = useUnits();
  const packet = state.report.places[0]?.feed.packet ?? null;
  return (
    <>
      <div className="sheet overflow-y-auto px-4 pb-4">
        <table className="w-full">
          <caption className="mb-1 text-left text-muted">
            {`Nitrogen through the plan’s year, ${units.system === 'imperial' ? 'in ounces' : 'in grams'}`}
          </caption>
          <Heads
            columns={[
              ['Place'],
              ['Taken', 'right'],
              ['Freed by its fill', 'right'],
              ['Lacking', 'right'],
              [packet ?? 'Packet', 'right'],
              [units.feedAreaUnit, 'right'],
            ]}
          />
          <tbody>
            {state.report.places.map((row) => (
              <tr
                key={row.id}
                className={`border-t border-faint ${row.id === chosen.id ? 'bg-wash' : ''}`}
              >
                <th scope="row" className="text-left font-normal">
                  <button type="button" className="press" onClick={() => onChoose(row.id)}>
                    {nameOf(row.id)}
                  </button>
                </th>
                <td className="text-right">{units.feed(row.feed.n_g)}</td>
                <td className={`text-right ${row.feed.counts_mix ? '' : 'text-muted'}`}>
                  {row.feed.counts_mix
                    ? units.feed(row.feed.mix_frees_n_g)
                    : `(${units.feed(row.feed.mix_frees_n_g)})`}
                </td>
                <td className="text-right font-semibold">
                  <Figure
                    label={`${nameOf(row.id)}, lacking: working`}
                    working={() => (
                      <Sum title={`Feed, ${nameOf(row.id)}`} terms={[...row.feed.working]} />
                    )}
                  >
                    {units.feed(row.feed.lacks_n_g)}
                  </Figure>
                </td>
                <td className="text-right">{orDash(row.feed.packet_g, units.feed)}</td>
                <td className="text-right">{orDash(row.feed.packet_g_per_m2, units.feedOnArea)}</td>
              </tr>
            ))}
          </tbody>
        </table>
        {!chosen.feed.counts_mix && (
          <p className="mt-1 text-[12.5px] text-muted">
            In brackets: what the fill would free in its first year, not counted by the school in
            force.
          </p>
        )}
        <Besides place={chosen} name={nameOf(chosen.id)} />
        <CropFeeds state={state} chosen={chosen} name={nameOf(chosen.id)} />
      </div>
      <aside className="side flex min-h-0 flex-col gap-3 overflow-y-auto border-l border-rule px-3 pb-3 pt-2">
        <FeedForm key={state.head.version} state={state} onEdit={onEdit} />
        <section aria-label="How to feed">
          {chosen.feed.advice.map((words) => (
            <p key={words} className="mb-1">
              {words}
            </p>
          ))}
          <p className="text-[12.5px] text-muted">
            Raw manure waits: 120 days before what touches the soil is picked, 90 before the rest,
            or longer where your rules say so. The label of a bought feed is the law.
          </p>
        </section>
      </aside>
    </>
  );
}

/** Phosphate and potash: what the crops want by the soil test, and what the packet brings. */
function Besides({ place, name }: { place: PlaceReport; name: string }) {
  const { feed } = place;
  const units = useUnits();
  const figures = (what: string, wanted: number, brought: number | null) =>
    `${what}: ${units.feed(wanted)} ${units.feedUnit} needed${brought === null ? '' : `, ${units.feed(brought)} ${units.feedUnit} come with that packet`}.`;
  return (
    <p className="mt-2">
      <span className="font-semibold">{`${name}: phosphate and potash. `}</span>
      {`${figures('Phosphate', feed.p2o5_g, feed.packet_p2o5_g)} ${figures('Potash', feed.k2o_g, feed.packet_k2o_g)}`}
      {feed.packet_by_measure !== null &&
        ` Of the packet, ${feed.packet_by_measure} through the year.`}
      {feed.packet_cost !== null && ` The packet costs ${money(feed.packet_cost)} per year.`}
    </p>
  );
}

function CropFeeds({
  state,
  chosen,
  name,
}: {
  state: HeldGarden;
  chosen: PlaceReport;
  name: string;
}) {
  const units = useUnits();
  const rows = chosen.feed.crops
    .map((crop) => ({
      ...crop,
      planting: state.report.plantings.find((p) => p.id === crop.planting),
    }))
    .sort((a, b) => (a.planting?.start_date ?? '').localeCompare(b.planting?.start_date ?? ''));
  if (rows.length === 0) return null;
  return (
    <table className="mt-4 w-full">
      <caption className="mb-1 text-left font-semibold">{`Crop by crop in ${name}`}</caption>
      <Heads
        columns={[
          ['Crop'],
          ['From'],
          [`Takes, ${units.feedUnit}`, 'right'],
          [`Packet, ${units.feedUnit}`, 'right'],
          ['Because', 'after'],
        ]}
      />
      <tbody>
        {rows.map(
          ({ planting, n_g, packet_g, why }) =>
            planting && (
              <tr key={planting.id} className="border-t border-faint">
                <th scope="row" className="text-left font-normal first-letter:uppercase">
                  {planting.name}
                </th>
                <td>{words(dayOf(planting.start_date))}</td>
                <td className="text-right">
                  <Figure
                    label={`${planting.name} takes: working`}
                    working={() => (
                      <PlaceWorking
                        state={state}
                        place={chosen.id}
                        title={`Nitrogen, ${planting.name}`}
                        pick={(w) => w.feed[planting.id]}
                      />
                    )}
                  >
                    {units.feed(n_g, 1)}
                  </Figure>
                </td>
                <td className="text-right">{orDash(packet_g, units.feed)}</td>
                <td className="pl-4 text-muted">{why}</td>
              </tr>
            ),
        )}
      </tbody>
    </table>
  );
}

function orDash(value: number | null, said: (value: number) => string): string {
  return value === null ? '–' : said(value);
}
