import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Link, useLocation } from 'react-router';

import { answered, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import type { HeldGarden } from '../../api/merge';
import type { Method } from '../../api/types';
import { Heads } from '../../kit/Heads';
import { useUnits } from '../../kit/preferences';

/** Every rule of the core with its numbers, from the records that the workings use. */
export function Methods({ state }: { state: HeldGarden }) {
  const { hash } = useLocation();
  const answer = useQuery<Method[], ProblemError>({
    queryKey: ['methods'],
    staleTime: Infinity,
    queryFn: ({ signal }) => answered(api.GET('/api/methods', { signal })),
  });
  const units = useUnits();
  const ready = answer.data !== undefined;
  useEffect(() => {
    const entry = document.getElementById(hash.slice(1));
    if (ready) entry?.scrollIntoView({ block: 'start' });
  }, [ready, hash]);
  const parts = [...new Set(answer.data?.map((method) => method.rule.part) ?? [])];
  return (
    <main className="relative overflow-y-auto px-6 py-4">
      <header className="flex flex-wrap items-baseline gap-x-4">
        <h1 className="text-xl">Methods</h1>
        <p className="text-muted">
          How every figure is worked out, and with which numbers.
          {units.system === 'imperial' &&
            ' Rules and sources are worded in the metric units they were published in.'}
        </p>
        <Link className="press ml-auto" to={`/gardens/${state.head.slug}/crops`}>
          Crop book
        </Link>
      </header>
      {answer.error && <p role="alert">{answer.error.message}</p>}
      <nav aria-label="Rules" className="my-3 columns-2 gap-8 sm:columns-4">
        {answer.data?.map(({ id, rule }) => (
          <a key={id} className="press block" href={`#${id}`}>
            {rule.title}
          </a>
        ))}
      </nav>
      {parts.map((part) => (
        <section key={part} aria-label={part}>
          <h2 className="mt-6 border-b-2 border-ink text-[17px]">{part}</h2>
          {answer.data
            ?.filter((method) => method.rule.part === part)
            .map((method) => (
              <RuleEntry key={method.id} method={method} looked={hash === `#${method.id}`} />
            ))}
        </section>
      ))}
    </main>
  );
}

function RuleEntry({ method, looked }: { method: Method; looked: boolean }) {
  const { id, rule, numbers } = method;
  const units = useUnits();
  return (
    <article
      id={id}
      aria-labelledby={`${id}-title`}
      className={`max-w-4xl border-b border-faint py-3 ${looked ? 'bg-wash' : ''}`}
    >
      <h3 id={`${id}-title`} className="font-sans text-[14.5px] font-semibold">
        {rule.title}
      </h3>
      <p>{rule.says}</p>
      <p className="my-1 border-l-2 border-rule pl-3 font-serif">{`${rule.formula}  [${rule.units}]`}</p>
      <p className="text-[12.5px] text-muted">{rule.source}</p>
      {numbers.length > 0 && (
        <table className="mt-2 w-full">
          <caption className="sr-only">{`Numbers of ${rule.title}`}</caption>
          <Heads
            columns={[['Number'], ['Value', 'right'], ['Range', 'right'], ['Source', 'after']]}
          />
          <tbody>
            {numbers.map(({ name, record }) => (
              <tr key={name} className="border-t border-faint align-top">
                <th scope="row" className="text-left font-normal">
                  {name}
                </th>
                <td className="text-right font-semibold">
                  {units.measured(record.value, record.unit)}
                </td>
                <td className="whitespace-nowrap pl-4 text-right">
                  {record.low != null && record.high != null
                    ? `${bare(units.measured(record.low, record.unit))}–${bare(units.measured(record.high, record.unit))}`
                    : ''}
                </td>
                <td className="pl-4 text-[12.5px]">
                  {`${record.status}. `}
                  <span className="text-muted">{record.source}</span>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </article>
  );
}

/** The figure of a measure, its unit left off; of feet and inches both, which are one figure. */
function bare(measure: string): string {
  return / ft \d/.test(measure) ? measure : (/^\S+/.exec(measure)?.[0] ?? measure);
}
