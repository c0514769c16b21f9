/** A tag: words of the grower's own, in one, without its sign. */
const TAG = /^[\p{L}\p{N}][\p{L}\p{N}_-]{0,39}$/u;

/** Tags as they are typed, parted by spaces; undefined where one of them can be none. */
export function tagsOf(text: string): string[] | null | undefined {
  const words = text
    .split(/[\s,]+/)
    .map((word) => word.replace(/^#/, ''))
    .filter((word) => word !== '');
  if (words.some((word) => !TAG.test(word))) return undefined;
  return words.length > 0 ? [...new Set(words)] : null;
}

/** What is said at the field where one cannot be. */
export const TAG_FAULT = 'Write tags as single words, such as split or first-frost.';
