const DAY = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium' });
const MOMENT = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' });

/** The day of a moment, where the page is read: "28 Nov 2026". */
export function day(iso: string): string {
  return DAY.format(new Date(iso));
}

/** A moment, where the page is read: "28 Nov 2026, 19:35". */
export function moment(iso: string): string {
  return MOMENT.format(new Date(iso));
}

/** A file's size in words: "84 kB". */
export function size(bytes: number): string {
  const kilobytes = bytes / 1000;
  return kilobytes < 1000
    ? `${Math.max(1, Math.round(kilobytes))} kB`
    : `${(kilobytes / 1000).toFixed(1)} MB`;
}
