/** A box on the page that something is written in. [px] */
export interface Box {
  x: number;
  y: number;
  w: number;
  h: number;
}

export function meet(a: Box, b: Box): boolean {
  return a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h;
}

/** The first of some boxes that meets none that is taken. */
export function fitLabel(wanted: readonly Box[], taken: readonly Box[]): Box | null {
  return wanted.find((box) => !taken.some((other) => meet(box, other))) ?? null;
}

const LETTER_PX = 6.6;

/** About how wide a text of our face is at 12.5 px. */
export function textWidth(text: string): number {
  return text.length * LETTER_PX + 4;
}

/** Where a label may stand about a drawn box: right, left, above, below. */
export function beside(box: Box, w: number, h: number): Box[] {
  const [midX, midY] = [box.x + box.w / 2 - w / 2, box.y + box.h / 2 - h / 2];
  return [
    { x: box.x + box.w + 4, y: midY, w, h },
    { x: box.x - w - 4, y: midY, w, h },
    { x: midX, y: box.y - h - 3, w, h },
    { x: midX, y: box.y + box.h + 3, w, h },
  ];
}

export function within(box: Box, width: number, height: number): boolean {
  return box.x >= 0 && box.y >= 0 && box.x + box.w <= width && box.y + box.h <= height;
}
