import createClient from 'openapi-fetch';

import type { paths } from './schema.gen';
import { saidAsAsked } from '../kit/units';
import type { GardenChange, GardenState, Problem } from './types';

export const api = createClient<paths>({ baseUrl: '' });

api.use({
  onRequest({ request }) {
    request.headers.set('prefer', saidAsAsked());
    return request;
  },
});

export type Kind = 'conflict' | 'unknown' | 'closed' | 'busy' | 'storage-locked' | 'doubtful';

/** An answer that says what is wrong: the server's own words, or that there was none. */
export class ProblemError extends Error {
  readonly problem: Problem | null;

  constructor(problem: Problem | null, fallback: string) {
    super(problem?.detail ?? fallback);
    this.problem = problem;
  }

  /** Whether this is a problem of one kind, by the type that the server gives it. */
  is(kind: Kind): boolean {
    return this.problem?.type === `urn:ample-rows:problem:${kind}`;
  }

  /** Whether the same question may well be answered in a moment. */
  get passes(): boolean {
    return this.problem === null || this.is('busy') || this.is('storage-locked');
  }

  /** What is wrong with one field, by the last keys of its path. */
  at(field: string): string | undefined {
    return this.problem?.errors.find(({ path }) => `.${path}`.endsWith(`.${field}`))?.text;
  }
}

const SILENT =
  'The server did not answer, so nothing was saved. Start Ample Rows again, then try once more.';

function isProblem(body: unknown): body is Problem {
  return typeof body === 'object' && body !== null && 'detail' in body && 'status' in body;
}

interface Answer<T> {
  data?: T;
  error?: unknown;
  response: Response;
}

/**
 * Answers typed as the API describes them: the client's own reading of an answer loses that
 * a point has just two numbers.
 */
export function answeredAs<T>(asking: Promise<Answer<unknown>>): Promise<T> {
  return answered(asking as Promise<Answer<T>>);
}

export function answeredState(asking: Promise<Answer<unknown>>): Promise<GardenState> {
  return answeredAs(asking);
}

export function answeredChange(asking: Promise<Answer<unknown>>): Promise<GardenChange> {
  return answeredAs(asking);
}

/** The data of an answer, or a thrown `ProblemError`. */
export async function answered<T>(asking: Promise<Answer<T>>): Promise<T> {
  let answer: Answer<T>;
  try {
    answer = await asking;
  } catch (cause) {
    if (cause instanceof DOMException && cause.name === 'AbortError') throw cause;
    throw new ProblemError(null, SILENT);
  }
  if (answer.data !== undefined) return answer.data;
  // What answers with nothing has nothing more to say.
  if (answer.response.ok) return null as T;
  const problem = isProblem(answer.error) ? answer.error : null;
  throw new ProblemError(problem, `The server answered with status ${answer.response.status}.`);
}
