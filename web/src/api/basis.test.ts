import { expect, it } from 'vitest';

import { basisOf } from './basis';

it('is the same for the very same values alone', () => {
  const [one, other] = [{ a: 1 }, { a: 1 }];
  expect(basisOf(one, null)).toBe(basisOf(one, undefined));
  expect(basisOf(one)).not.toBe(basisOf(other));
  expect(basisOf(one, other)).not.toBe(basisOf(other, one));
});
