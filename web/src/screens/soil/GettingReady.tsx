import type { PlaceReport } from '../../api/types';
import { useUnits } from '../../kit/preferences';
import { dayOf, words } from '../../kit/day';
import { capital } from '../../kit/text';

/** The dated jobs of one place's soil, what soft matter does there, and the yearly top-up. */
export function GettingReady({ place, name }: { place: PlaceReport; name: string }) {
  const units = useUnits();
  const { soft, top_up_litres: topUp } = place.soil;
  return (
    <section aria-labelledby="getting-ready" className="mt-4">
      <h2 id="getting-ready" className="font-sans text-[14px] font-semibold">
        {`Getting ${name} ready`}
      </h2>
      <ul>
        {place.jobs.map((job) => (
          <li key={`${job.what} ${job.on}`} className="flex gap-3 border-t border-faint py-0.5">
            <span className="w-48 shrink-0 max-sm:w-28 text-muted">
              {`${words(dayOf(job.on))} – ${words(dayOf(job.latest))}`}
            </span>
            <span>
              {capital(job.what)}
              <span className="text-muted">{`: ${job.why}.`}</span>
            </span>
          </li>
        ))}
      </ul>
      {topUp >= 1 && (
        <p className="mt-1 text-muted">
          {`It sinks by about ${units.bulk(topUp)} per year as it rots: top it up each spring.`}
        </p>
      )}
      {soft.map((layer) => (
        <p key={layer.label} className="mt-1">
          {`Gather ${units.bulk(layer.litres)} of ${layer.label}, loose. Laid ${units.length(layer.height_cm[0] ?? 0)} deep it has sunk to ${units.length(Math.round(layer.height_cm[3] ?? 0))} in three months and ${units.length(Math.round(layer.height_cm[6] ?? 0))} in six${layer.rise_cm > 0 ? `; ${units.length(Math.round(layer.rise_cm))} stay and count as depth` : ''}. `}
          {`Plant through it from ${words(dayOf(layer.fit_on))}${layer.meanwhile ? `; before that ${layer.meanwhile}` : ''}. `}
          {layer.takes && `${layer.takes} `}
          {layer.caution && <span className="text-muted">{layer.caution}</span>}
        </p>
      ))}
    </section>
  );
}
