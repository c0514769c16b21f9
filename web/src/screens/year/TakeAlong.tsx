import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { answered, answeredAs, api } from '../../api/client';
import type { ProblemError } from '../../api/client';
import type { CalendarAddress, SheetChoice } from '../../api/types';
import { Choice } from '../../kit/Choice';

/** What is taken to the garden: the week on paper, the jobs as a calendar, labels for plants. */
export function TakeAlong({ slug }: { slug: string }) {
  const [chosen, setSheet] = useState<string>();
  const sheets = useQuery<SheetChoice[], ProblemError>({
    queryKey: ['label-sheets', slug],
    queryFn: ({ signal }) =>
      answeredAs(
        api.GET('/api/gardens/{slug}/label-sheets', { params: { path: { slug } }, signal }),
      ),
  });
  const address = useQuery<CalendarAddress, ProblemError>({
    queryKey: ['calendar-address', slug],
    queryFn: ({ signal }) =>
      answered(
        api.GET('/api/gardens/{slug}/calendar-address', { params: { path: { slug } }, signal }),
      ),
  });
  const feed = address.data?.path;
  const sheetKinds = (sheets.data ?? []).map((one) => [one.sheet, one.label] as const);
  const sheet = chosen ?? sheets.data?.[0]?.sheet ?? 'a4-24';
  return (
    <section
      aria-label="Print and export"
      className="no-print col-span-full flex flex-wrap items-baseline gap-x-5 gap-y-1 border-t border-faint pt-2"
    >
      <h2 className="text-base">Print and export</h2>
      <button type="button" className="press" onClick={() => window.print()}>
        Print the two weeks
      </button>
      <a className="press" href={`/api/gardens/${slug}/jobs.ics`}>
        Jobs as a calendar
      </a>
      {feed && (
        <span className="text-[13px] text-muted">
          {'or subscribe to '}
          <code className="break-all">{`${window.location.origin}${feed}`}</code>
        </span>
      )}
      <a className="press" href={`/api/gardens/${slug}/labels.pdf?sheet=${sheet}`}>
        Plant labels
      </a>
      {sheetKinds.length > 0 && (
        <Choice
          inline
          label="on sheets of"
          value={sheet}
          options={sheetKinds}
          onChange={setSheet}
        />
      )}
    </section>
  );
}
