import type { CropPage, YearReport } from '../../api/types';
import { useExtent } from '../../kit/useExtent';
import { capital } from '../../kit/text';
import { PICKED } from '../../drawing/Hatches';
import { dayToPx } from '../../drawing/scale';
import { clamp, dayOf, shortWords } from '../../kit/day';
import { useDay } from '../../shared/DayContext';
import { timeScale } from '../../shared/SeasonRuler';

interface Props {
  page: CropPage;
  year: YearReport;
}

type CropWindow = CropPage['windows'][number];

const HOW: Record<string, string> = {
  sow: 'sown here',
  transplant: 'plants set out',
  set: 'sets, cloves or tubers',
  division: 'divided',
};
const ROW = 58;

/** When this crop can be started here, under the ruler's own days, and when it is first picked. */
export function CropWindows({ page, year }: Props) {
  const { day, start, end } = useDay();
  const [ref, { width }] = useExtent<SVGSVGElement>();
  const scale = timeScale(start, end, width);
  const at = (iso: string) => dayToPx(scale, clamp(dayOf(iso), start, end));
  const ways = [...new Set(page.windows.map((window) => window.start))].map((start) =>
    page.windows.filter((window) => window.start === start),
  );
  return (
    <>
      <svg
        ref={ref}
        className="block h-full w-full"
        role="img"
        aria-label={ways.map(wayWords).join('; ')}
      >
        {width > 0 && (
          <>
            {[year.last_frost, year.first_frost].map((iso) => (
              <path key={iso} d={`M${at(iso)} 0V${ROW * ways.length + 8}`} stroke="var(--rule)" />
            ))}
            {ways.map((spells, i) => {
              const base = 30 + i * ROW;
              const from = Math.min(...spells.map((window) => at(window.earliest)));
              const label = Math.min(from, width - 420);
              return (
                <g key={spells[0]?.start}>
                  <text
                    x={Math.max(scale.left, label)}
                    y={base - 9}
                    fontSize={12.5}
                    fill="var(--ink)"
                  >
                    {wayWords(spells)}
                  </text>
                  {spells
                    .filter((window) => window.open)
                    .map((window) => (
                      <Spell
                        key={window.earliest}
                        {...{ window, base, at, end }}
                        stays={page.crop.perennial !== null}
                        several={spells.length > 1}
                      />
                    ))}
                </g>
              );
            })}
            <path d={`M${dayToPx(scale, day)} 0V400`} stroke="var(--damson)" strokeWidth={1.6} />
          </>
        )}
      </svg>
    </>
  );
}

/** One way of starting the crop in words: its spells, or why there is none. */
function wayWords(spells: CropWindow[]): string {
  const [first] = spells;
  if (!first) return '';
  const how = HOW[first.start] ?? first.start;
  if (!first.open) return `${how}: ${first.how}`;
  const days = spells.map(
    ({ earliest, latest }) => `${shortWords(dayOf(earliest))} to ${shortWords(dayOf(latest))}`,
  );
  return `${how}: ${days.join(', or ')}; ${first.how}`;
}

/** What the picking that is drawn belongs to. */
function pickedWords(stays: boolean, several: boolean): string {
  if (stays) return 'once it is grown, picked from';
  return several ? 'picked from' : 'started on its first day, picked from';
}

interface SpellProps {
  window: CropWindow;
  base: number;
  at: (iso: string) => number;
  end: number;
  stays: boolean;
  several: boolean;
}

/** A spell in which it may be started, and the picking of its first day. */
function Spell({ window, base, at, end, stays, several }: SpellProps) {
  const [from, to] = [at(window.earliest), at(window.latest)];
  const [first, last] = [window.first_pick, window.last_pick];
  return (
    <>
      <path d={`M${from} ${base}H${to}`} stroke="var(--leaf)" strokeWidth={3.5} />
      <path d={`M${from} ${base - 5}v10M${to} ${base - 5}v10`} stroke="var(--leaf)" />
      {first && last && dayOf(first) < end && (
        <>
          <rect
            x={at(first)}
            y={base + 4}
            width={Math.max(2, at(last) - at(first))}
            height={8}
            fill={PICKED}
          />
          <text x={at(first)} y={base + 24} fontSize={12.5} fill="var(--muted)">
            {`${pickedWords(stays, several)} ${shortWords(dayOf(first))}`}
          </text>
        </>
      )}
    </>
  );
}

/** What the windowsill and covers buy, and the weeks that are too hot. */
export function WindowWords({ page }: { page: CropPage }) {
  const words = page.windows.filter((window) => window.open).flatMap(boughtWords);
  if (page.heat_gap) {
    const [since, until] = page.heat_gap.map((iso) => shortWords(dayOf(iso)));
    words.push(`Usually too hot for it from ${since ?? ''} to ${until ?? ''}.`);
  }
  if (words.length === 0) return null;
  return (
    <ul aria-label="Extending the season" className="text-[13px] text-muted">
      {words.map((line) => (
        <li key={line}>{line}</li>
      ))}
    </ul>
  );
}

function boughtWords(window: CropWindow): string[] {
  const inside = window.sow_indoors
    ? [
        `On the windowsill from ${shortWords(dayOf(window.sow_indoors))}, to be set out on the first day.`,
      ]
    : [];
  const covered = window.covered.map((one) => {
    const how = capital(HOW[window.start] ?? window.start);
    const weeks = Math.round(one.weeks_sooner);
    const sooner = weeks === 1 ? 'a week earlier' : `${weeks} weeks earlier`;
    return `${how} under a ${one.label}: from ${shortWords(dayOf(one.earliest))}, ${sooner}.`;
  });
  return [...inside, ...covered];
}
