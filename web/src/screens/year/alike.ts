import type { Job } from '../../api/types';
import { and } from '../../kit/text';

/** Jobs that are one thing to do: the same in each of some places of a group, on the same days. */
export type Alike = readonly [Job, ...Job[]];

/** A week's jobs, those that are the same in places of one group together where the first stands. */
export function together(
  jobs: readonly Job[],
  groupOf: (place: string) => string | null | undefined,
): Alike[] {
  const byWords = new Map<string, [Job, ...Job[]]>();
  for (const job of jobs) {
    const group = job.place === null ? null : groupOf(job.place);
    const words = [group, job.job, job.nth, job.about, job.on, job.until, job.state];
    const key = group ? JSON.stringify(words) : job.key;
    const like = byWords.get(key);
    if (like) like.push(job);
    else byWords.set(key, [job]);
  }
  return [...byWords.values()];
}

/** Where a job is done: its place and squares, or the places of a group. */
export function whereOf([job, ...others]: Alike): string {
  if (others.length > 0) return `${and([job, ...others].map((one) => one.place_label))}, in each`;
  return job.where ? `${job.place_label} ${job.where}` : job.place_label;
}
