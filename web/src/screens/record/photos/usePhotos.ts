import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useCallback } from 'react';

import { attempt } from '../../../api/attempt';
import { answeredAs, api } from '../../../api/client';
import type { ProblemError } from '../../../api/client';
import type { Photo } from '../../../api/types';
import { isoOf } from '../../../kit/day';
import type { Day } from '../../../kit/day';
import { useMessages } from '../../../kit/messages';
import { freshId, useAfresh, useDone } from '../useRecord';

export interface Wanted {
  day?: Day;
  place?: string;
}

/** Photos of a day, of a place, or all; the newest first. */
export function usePhotos(slug: string, { day, place }: Wanted) {
  const spell = day === undefined ? {} : { since: isoOf(day), until: isoOf(day) };
  const query = { ...spell, ...(place ? { place } : {}) };
  return useQuery<Photo[], ProblemError>({
    queryKey: ['record', slug, 'photos', query],
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answeredAs(
        api.GET('/api/gardens/{slug}/photos', { params: { path: { slug }, query }, signal }),
      ),
  });
}

export function pictureOf(slug: string, photo: Photo, small = true): string {
  return `/api/gardens/${slug}/photos/${photo.id}/picture${small ? '?small=true' : ''}`;
}

const LONGEST_PX = 1600;

/** A picture made small before it is sent; as it is where this browser cannot read it. */
async function small(file: File): Promise<Blob> {
  try {
    const image = await createImageBitmap(file, { imageOrientation: 'from-image' });
    const scale = Math.min(1, LONGEST_PX / Math.max(image.width, image.height));
    const canvas = document.createElement('canvas');
    canvas.width = Math.round(image.width * scale);
    canvas.height = Math.round(image.height * scale);
    canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height);
    return await new Promise((done) =>
      canvas.toBlob((blob) => done(blob ?? file), 'image/jpeg', 0.85),
    );
  } catch {
    return file;
  }
}

/** Keeping, deleting and putting back photos. */
export function usePhotoBook(slug: string) {
  const afresh = useAfresh(slug);
  const { say } = useMessages();
  const keep = useCallback(
    async (file: File, day: Day, place: string) => {
      const body = await small(file);
      const done = await attempt(() =>
        answeredAs<Photo>(
          api.PUT('/api/gardens/{slug}/photos/{photo}', {
            params: {
              path: { slug, photo: freshId() },
              query: { day: isoOf(day), ...(place ? { place } : {}) },
            },
            body: body as unknown as string,
            bodySerializer: () => body,
            headers: { 'content-type': body.type || 'application/octet-stream' },
          }),
        ),
      );
      if (done.is === 'refused') say({ kind: 'stop', text: `${file.name}: ${done.why.message}` });
      await afresh();
    },
    [slug, afresh, say],
  );
  const done = useDone(slug);
  const remove = (photo: string) =>
    done(() =>
      answeredAs(
        api.DELETE('/api/gardens/{slug}/photos/{photo}', { params: { path: { slug, photo } } }),
      ),
    );
  const putBack = (photo: string) =>
    done(() =>
      answeredAs(
        api.POST('/api/gardens/{slug}/photos/{photo}/put-back', {
          params: { path: { slug, photo } },
        }),
      ),
    );
  return { keep, remove, putBack };
}
