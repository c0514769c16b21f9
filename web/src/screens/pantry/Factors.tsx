import { useQuery } from '@tanstack/react-query';

import { answeredAs, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import type { CropFactors } from '../../api/types';
import { useUnits } from '../../kit/preferences';
import { round } from '../../drawing/outline';

const HEIGHT = 150;
const BASE = 104;
const TOP = 18;
const STEP = 96;
const BAR = 40;

/** From the book's yield to what is likely here: each factor a step up or down. */
export function Factors({ slug, version, crop }: { slug: string; version: number; crop: string }) {
  const answer = useQuery<CropFactors, ProblemError>({
    queryKey: ['factors', slug, version, crop],
    queryFn: ({ signal }) =>
      answeredAs(
        api.GET('/api/gardens/{slug}/pantry/{crop}/factors', {
          params: { path: { slug, crop } },
          signal,
        }),
      ),
  });
  if (answer.error) return <p role="alert">{answer.error.message}</p>;
  if (!answer.data) return <p className="text-muted">Working it out …</p>;
  if (answer.data.book_kg === 0) return <p className="text-muted">None of it is planted.</p>;
  return <Steps found={answer.data} />;
}

interface Bar {
  name: string;
  from: number;
  to: number;
  text: string;
}

function Steps({ found }: { found: CropFactors }) {
  const units = useUnits();
  const { p10, p50, p90 } = found.harvest_kg;
  const signed = (kg: number) => `${kg > 0 ? '+' : '−'}${units.weight(Math.abs(kg))}`;
  const bars: Bar[] = [
    {
      name: `${found.plants} plants`,
      from: 0,
      to: found.book_kg,
      text: units.weight(found.book_kg),
    },
    ...found.steps.map((step) => ({
      name: step.name,
      from: step.kg - step.change_kg,
      to: step.kg,
      text: signed(step.change_kg),
    })),
    { name: 'likely', from: 0, to: p50, text: units.weight(p50) },
  ];
  const most = Math.max(p90, ...bars.map((bar) => Math.max(bar.from, bar.to)));
  const y = (kg: number) => round(BASE - (kg / most) * (BASE - TOP));
  const width = bars.length * STEP + 60;
  const last = (bars.length - 1) * STEP + BAR / 2;
  return (
    <div className="overflow-x-auto">
      <svg
        width={width}
        height={HEIGHT}
        viewBox={`0 0 ${width} ${HEIGHT}`}
        role="img"
        aria-label={`From the book's yield to this garden's, ${units.weightUnit}`}
      >
        <line x1={0} x2={width} y1={BASE} y2={BASE} stroke="var(--ink)" />
        {bars.map((bar, i) => (
          <g key={bar.name}>
            <rect
              x={i * STEP}
              y={Math.min(y(bar.from), y(bar.to))}
              width={BAR}
              height={Math.max(1, Math.abs(y(bar.from) - y(bar.to)))}
              fill={bar.to >= bar.from ? 'var(--leaf-wash)' : 'none'}
              stroke={i === bars.length - 1 ? 'var(--damson)' : 'var(--ink)'}
              strokeWidth={i === bars.length - 1 ? 1.8 : 1}
            />
            {i < bars.length - 1 && (
              <line
                x1={i * STEP + BAR}
                x2={(i + 1) * STEP}
                y1={y(bar.to)}
                y2={y(bar.to)}
                stroke="var(--rule)"
                strokeDasharray="2 3"
              />
            )}
            <text
              x={i * STEP + BAR / 2}
              y={Math.min(y(bar.from), y(bar.to)) - 4}
              textAnchor="middle"
              fontSize={11.5}
              fill="var(--ink)"
            >
              {i === bars.length - 1 ? '' : bar.text}
            </text>
            <text x={i * STEP} y={BASE + 16} fontSize={12} fontWeight={600} fill="var(--ink)">
              {bar.name}
            </text>
          </g>
        ))}
        <line
          x1={last}
          x2={last}
          y1={y(p10)}
          y2={y(p90)}
          stroke="var(--damson)"
          strokeWidth={1.6}
        />
        <text x={last + 28} y={y(p50) + 4} fontSize={13} fontWeight={600} fill="var(--damson)">
          {units.weight(p50)}
        </text>
        <text x={last - BAR / 2} y={BASE + 31} fontSize={11} fill="var(--muted)">
          {`${units.weight(p10)} to ${units.weight(p90)}`}
        </text>
      </svg>
      <dl className="flex flex-wrap gap-x-5 text-[13px] text-muted">
        {found.steps.map((step) => (
          <div key={step.name} className="flex gap-1.5">
            <dt className="font-semibold">{step.name}</dt>
            <dd>{`${signed(step.change_kg)} ${units.weightUnit}: ${step.how}`}</dd>
          </div>
        ))}
      </dl>
    </div>
  );
}
