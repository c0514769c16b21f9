import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';

import { answeredAs, api } from '../api/client';
import type { ProblemError } from '../api/client';
import type { CropVerdict } from '../api/types';
import { dayOf, words } from '../kit/day';
import { verdictAt } from './weighing';

type Verdicts = Record<string, CropVerdict>;

/** What was said of crops in the record. */
export function useVerdicts(slug: string) {
  return useQuery<Verdicts, ProblemError>({
    queryKey: ['record', slug, 'verdicts'],
    queryFn: ({ signal }) =>
      answeredAs<Verdicts>(
        api.GET('/api/gardens/{slug}/verdicts', { params: { path: { slug } }, signal }),
      ),
  });
}

/** What was said of places in the record. */
export function usePlaceVerdicts(slug: string) {
  return useQuery<Verdicts, ProblemError>({
    queryKey: ['record', slug, 'verdicts', 'places'],
    queryFn: ({ signal }) =>
      answeredAs<Verdicts>(
        api.GET('/api/gardens/{slug}/verdicts/of-places', { params: { path: { slug } }, signal }),
      ),
  });
}

/** What was said of a place's supports in the record. */
export function useSupportVerdicts(slug: string, place: string) {
  return useQuery<Verdicts, ProblemError>({
    queryKey: ['record', slug, 'verdicts', 'supports', place],
    queryFn: ({ signal }) =>
      answeredAs<Verdicts>(
        api.GET('/api/gardens/{slug}/verdicts/of-supports/{place}', {
          params: { path: { slug, place } },
          signal,
        }),
      ),
  });
}

/** To where a verdict is said: it comes back when the same is chosen again. */
export function SayVerdict({ slug, on }: { slug: string; on: readonly string[] }) {
  return (
    <Link className="press" to={verdictAt(slug, ...on)}>
      Give a verdict
    </Link>
  );
}

/** What was made of a crop, a place or a support, at the moment when it is chosen again. */
export function Verdict({ of }: { of: CropVerdict | undefined }) {
  if (!of) return null;
  const said = [of.verdict, of.text && `“${of.text}”`].filter(Boolean).join(', ');
  return (
    <span className="block text-[12.5px] text-damson">
      {`Your verdict of ${words(dayOf(of.day))} ${of.day.slice(0, 4)}: ${said}`}
    </span>
  );
}
