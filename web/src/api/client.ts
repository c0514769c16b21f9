import createClient from 'openapi-fetch';

import type { paths } from './schema.gen';
import type { GardenChange, GardenState, Problem } from './types';

export const api = createClient<paths>({ baseUrl: '' });

/** An answer that says what is wrong: the server's own words, or that there was none. */
export class ProblemError extends Error {
  readonly problem: Problem | null;

  constructor(problem: Problem | null, fallback: string) {
    super(problem?.detail ?? fallback);
    this.problem = problem;
  }

  get isConflict(): boolean {
    return this.problem?.title === 'Changed elsewhere';
  }

  /** What is wrong with one field, by the end of its path. */
  at(field: string): string | undefined {
    return this.problem?.errors.find((fault) => fault.path.endsWith(field))?.text;
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
  const problem = isProblem(answer.error) ? answer.error : null;
  throw new ProblemError(problem, `The server answered with status ${answer.response.status}.`);
}
