import { describe, expect, it, vi } from 'vitest';

import { attempt } from './attempt';
import { ProblemError } from './client';

const failing = (cause: Error) => () => Promise.reject(cause);

describe('something asked of the server', () => {
  it('tells its answer', async () => {
    expect(await attempt(() => Promise.resolve(7))).toEqual({ is: 'done', value: 7 });
  });

  it('tells why it was refused', async () => {
    const why = new ProblemError(null, 'No room for it.');
    expect(await attempt(failing(why))).toEqual({ is: 'refused', why });
  });

  it('tells that it was stopped', async () => {
    const stopped = new DOMException('', 'AbortError');
    expect(await attempt(failing(stopped))).toEqual({ is: 'stopped' });
  });

  it('says of a file that cannot be read that it cannot', async () => {
    const outcome = await attempt(failing(new DOMException('', 'NotReadableError')));
    expect(outcome).toMatchObject({ is: 'refused', why: { message: 'The file cannot be read.' } });
  });

  it('throws a fault of the page, and is over whatever came of it', async () => {
    const over = vi.fn();
    await expect(attempt(failing(new TypeError('no such thing')), over)).rejects.toThrow('no such');
    await attempt(() => Promise.resolve(1), over);
    expect(over).toHaveBeenCalledTimes(2);
  });
});
