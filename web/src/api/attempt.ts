import { ProblemError } from './client';

/** What came of asking the server: its answer, or why it refused; or it was stopped on the way. */
export type Outcome<T> =
  { is: 'done'; value: T } | { is: 'refused'; why: ProblemError } | { is: 'stopped' };

/**
 * Ask, and tell what came of it; `over` is called whatever that is. What is neither a refusal
 * nor a stop is a fault of the page, and thrown.
 */
export async function attempt<T>(
  asking: () => Promise<T>,
  over: () => void = () => undefined,
): Promise<Outcome<T>> {
  try {
    return { is: 'done', value: await asking() };
  } catch (cause) {
    if (cause instanceof ProblemError) return { is: 'refused', why: cause };
    const name = cause instanceof DOMException ? cause.name : null;
    if (name === 'AbortError') return { is: 'stopped' };
    if (name === 'NotReadableError')
      return { is: 'refused', why: new ProblemError(null, 'The file cannot be read.') };
    throw cause;
  } finally {
    over();
  }
}
