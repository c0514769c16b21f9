import { useState } from 'react';
import type { DragEvent } from 'react';

import type { HeldGarden } from '../../../api/merge';
import type { Photo } from '../../../api/types';
import { Choice } from '../../../kit/Choice';
import { dayOf, words } from '../../../kit/day';
import type { Day } from '../../../kit/day';
import { FileButton } from '../../../kit/FileButton';
import { useDay } from '../../../shared/DayContext';
import { PutBack } from '../PutBack';
import { pictureOf, usePhotoBook, usePhotos } from './usePhotos';

/** The pictures of the garden or of one bed, week by week through the season, side by side. */
export function Photos({ state }: { state: HeldGarden }) {
  const { slug } = state.head;
  const { day } = useDay();
  const [place, setPlace] = useState('');
  const [gone, setGone] = useState<Photo>();
  const photos = usePhotos(slug, { place });
  const book = usePhotoBook(slug);
  const weeks = byWeek(photos.data ?? []);
  const names = new Map(state.plan.places.map((p) => [p.id, p.name ?? p.id]));
  const taken = (files: Iterable<File>) => {
    for (const file of files) void book.keep(file, day, place);
  };
  const drop = (event: DragEvent) => {
    event.preventDefault();
    taken(event.dataTransfer.files);
  };
  return (
    <div
      className="min-h-full px-[14px] pb-4"
      onDragOver={(event) => event.preventDefault()}
      onDrop={drop}
    >
      <div className="flex flex-wrap items-end gap-x-5 gap-y-1">
        <Choice
          label="Of which place?"
          value={place}
          options={[['', 'the whole garden'], ...names]}
          onChange={setPlace}
        />
        <FileButton
          words={`Add a photo of ${words(day)}`}
          label="A photo, JPEG, PNG or WebP"
          accept="image/jpeg,image/png,image/webp"
          onFile={(file) => taken([file])}
        />
        <p className="text-[13px] text-muted">
          Or drop photos here. They are made small, and where they were taken is removed.
        </p>
      </div>
      {photos.error && <p role="alert">{photos.error.message}</p>}
      {photos.data?.length === 0 && <p className="pt-2 text-muted">No photos yet.</p>}
      {gone && (
        <PutBack onPutBack={() => void book.putBack(gone.id).then(() => setGone(undefined))} />
      )}
      <ol className="flex flex-wrap gap-x-4 gap-y-3 pt-2">
        {weeks.map(([monday, some]) => (
          <li key={monday}>
            <h2 className="text-[13px] font-normal text-muted">{`Week of ${words(monday)}`}</h2>
            <ul className="flex flex-wrap gap-2">
              {some.map((photo) => (
                <li key={photo.id}>
                  <Picture
                    slug={slug}
                    photo={photo}
                    of={names.get(photo.place ?? '') ?? 'the garden'}
                    onRemove={() => void book.remove(photo.id).then(() => setGone(photo))}
                  />
                </li>
              ))}
            </ul>
          </li>
        ))}
      </ol>
    </div>
  );
}

interface PictureProps {
  slug: string;
  photo: Photo;
  of: string;
  onRemove: () => void;
}

function Picture({ slug, photo, of, onRemove }: PictureProps) {
  const on = words(dayOf(photo.day));
  return (
    <figure>
      <a href={pictureOf(slug, photo, false)} target="_blank" rel="noreferrer">
        <img
          src={pictureOf(slug, photo)}
          alt={photo.text ?? `${of} on ${on}`}
          width={180}
          height={Math.round((180 * photo.height) / photo.width)}
          loading="lazy"
        />
      </a>
      <figcaption className="flex max-w-[180px] flex-wrap gap-x-3 text-[12.5px] text-muted">
        <span className="grow">{`${on}, ${of}`}</span>
        <button
          type="button"
          className="press"
          aria-label={`Delete the photo of ${of}, ${on}`}
          onClick={onRemove}
        >
          Delete
        </button>
      </figcaption>
    </figure>
  );
}

const WEEK = 7;
/** The first day of the epoch was a Thursday. */
const MONDAY = 4;

/** Photos by the Monday of their week, the first week first. */
function byWeek(photos: readonly Photo[]): [Day, Photo[]][] {
  const weeks = new Map<Day, Photo[]>();
  for (const photo of [...photos].reverse()) {
    const day = dayOf(photo.day);
    const monday = day - ((((day - MONDAY) % WEEK) + WEEK) % WEEK);
    weeks.set(monday, [...(weeks.get(monday) ?? []), photo]);
  }
  return [...weeks].sort(([a], [b]) => a - b);
}
