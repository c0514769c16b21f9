import type { ComponentProps } from 'react';

import { BedSheet } from './BedSheet';
import { useFilling } from './useFilling';

type SheetProps = Omit<ComponentProps<typeof BedSheet>, 'filling' | 'said'>;

/** The bed sheet, with the fill that is being tried in its section. */
export function FilledSheet({
  slug,
  version,
  ...sheet
}: SheetProps & { slug: string; version: number }) {
  const { filling, place, plantings, said } = useFilling(
    slug,
    version,
    sheet.place,
    sheet.plantings,
  );
  return (
    <BedSheet
      {...sheet}
      place={place}
      plantings={plantings}
      filling={filling}
      said={said === null ? null : said}
    />
  );
}
