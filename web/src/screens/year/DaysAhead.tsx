import type { HeldGarden } from '../../api/merge';
import { and, capital } from '../../kit/text';
import { useUnits } from '../../kit/preferences';
import { dayOf, isoOf, shortWords } from '../../kit/day';
import type { Day } from '../../kit/day';
import { useAhead } from './useAhead';

const DAMP_MM = 0.5;

/** The days ahead, made up from the garden's normals, what they ask for, and the soil's warmth. */
export function DaysAhead({ state, day }: { state: HeldGarden; day: Day }) {
  const { slug, version } = state.head;
  const units = useUnits();
  const answer = useAhead(slug, version, isoOf(day));
  if (!answer.data) return null;
  const { days, advice, soil, words } = answer.data;
  if (days.length === 0) return <p className="col-span-full text-[13px] text-muted">{words}</p>;
  const warmth = (low: number, high: number) =>
    `${units.temperature(low).split(' ')[0]} to ${units.temperature(high)}`;
  const nameOf = (id: string) => state.plan.places.find((p) => p.id === id)?.name ?? id;
  const alike = new Map<string, string[]>();
  for (const one of soil) {
    const warm = `${units.temperature(one.degrees_c)}${one.probed ? ' by the probe' : ''}`;
    alike.set(warm, [...(alike.get(warm) ?? []), nameOf(one.place)]);
  }
  return (
    <section aria-label="Days ahead" className="col-span-full pb-1">
      <h2 className="text-base">
        {'Days ahead '}
        <span className="font-sans text-[13px] font-normal text-muted">
          made up from this garden’s usual weather; a forecast takes their place where there is one
        </span>
      </h2>
      <ol className="flex flex-wrap gap-x-5 text-[13px]">
        {days.map((one) => (
          <li key={one.day}>
            <span className="text-muted">{`${shortWords(dayOf(one.day))} `}</span>
            {warmth(one.low_c, one.high_c)}
            {one.rain_mm >= DAMP_MM ? `, ${units.rain(one.rain_mm)}` : ', dry'}
          </li>
        ))}
      </ol>
      {advice.length > 0 && (
        <ul aria-label="What the weather asks for">
          {advice.map((one) => (
            <li key={`${one.kind}${one.words}`} className="text-marigold">
              {`${capital(one.words)}.`}
            </li>
          ))}
        </ul>
      )}
      <p className="text-[13px] text-muted">
        {`Soil where seed lies: ${[...alike].map(([warm, names]) => `${warm} in ${and(names)}`).join('; ')}.`}
      </p>
    </section>
  );
}
