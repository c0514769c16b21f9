import { attempt } from '../api/attempt';
import { answeredAs, api } from '../api/client';
import type { FreeSpot } from '../api/types';
import { useMessages } from '../kit/messages';

const NO_ROOM =
  'No free ground in the yard holds it with room to walk round. It waits under Ground; make it smaller, or move something.';

const ALONE = { count: 1, abreast: 1, gap_cm: 0 };

/** Ask for the sunniest free ground for a place; null, and said, where there is none. */
export function useSpot(slug: string) {
  const { say, working } = useMessages();
  return async (
    place: Record<string, unknown>,
    several: { count: number; abreast: number; gap_cm: number } = ALONE,
  ): Promise<FreeSpot | null> => {
    const stop = new AbortController();
    const over = working('Looking for free ground', () => stop.abort());
    const asked = await attempt(
      () =>
        answeredAs<{ spot: FreeSpot | null }>(
          api.POST('/api/gardens/{slug}/free-spot', {
            params: { path: { slug }, query: several },
            body: place,
            signal: stop.signal,
          }),
        ),
      over,
    );
    // Without a spot the place is kept all the same, and waits beside the yard.
    if (asked.is === 'refused') say({ kind: 'care', text: asked.why.message });
    if (asked.is !== 'done') return null;
    if (!asked.value.spot) say({ kind: 'care', text: NO_ROOM });
    return asked.value.spot;
  };
}

/** A spot as keys of a place. */
export function spotKeys(spot: FreeSpot | null): Record<string, unknown> {
  return spot ? { at_m: [...spot.at_m], heading_deg: spot.heading_deg } : {};
}
