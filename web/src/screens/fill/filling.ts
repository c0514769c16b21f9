import type { OfferedPlan } from '../../api/types';
import { ProblemError } from '../../api/client';
import type { Problem } from '../../api/types';
import { saidAsAsked } from '../../kit/units';

export interface Asked {
  seconds: number;
  keep: boolean;
  place: string | null;
  /** Squares of it that alone are filled; all where it is null. */
  cells: readonly string[] | null;
  /** Nothing is begun before it, and what has been begun by then stays. */
  since: string | null;
}

const CUT_SHORT = 'The server stopped before it was done. The best plan until then is shown.';

const SILENT = 'The server did not answer. Start Ample Rows again, then fill once more.';

/**
 * Tell each plan as it is found, a line of the answer each; resolves when the server is done, or
 * the work was stopped.
 */
export async function fillOn(
  slug: string,
  asked: Asked,
  signal: AbortSignal,
  tell: (plan: OfferedPlan) => void,
): Promise<ProblemError | null> {
  try {
    const lines = linesOf(await begun(slug, asked, signal));
    for await (const line of lines) {
      if (signal.aborted) return null;
      tell(JSON.parse(line) as OfferedPlan);
    }
    return null;
  } catch (cause) {
    if (signal.aborted) return null;
    return cause instanceof ProblemError ? cause : new ProblemError(null, SILENT);
  }
}

async function begun(
  slug: string,
  asked: Asked,
  signal: AbortSignal,
): Promise<ReadableStream<Uint8Array<ArrayBuffer>>> {
  const answer = await fetch(`/api/gardens/${encodeURIComponent(slug)}/fill`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', prefer: saidAsAsked() },
    body: JSON.stringify(asked),
    signal,
  });
  if (!answer.ok || answer.body === null) {
    const problem = (await answer.json().catch(() => null)) as Problem | null;
    throw new ProblemError(problem, `The server answered with status ${answer.status}.`);
  }
  return answer.body;
}

async function* linesOf(body: ReadableStream<Uint8Array<ArrayBuffer>>): AsyncGenerator<string> {
  const reader = body.pipeThrough(new TextDecoderStream()).getReader();
  let rest = '';
  for (;;) {
    const { value, done } = await reader.read().catch(() => {
      throw new ProblemError(null, CUT_SHORT);
    });
    const lines = (rest + (value ?? '')).split('\n');
    rest = lines.pop() ?? '';
    for (const line of lines) if (line) yield line;
    if (done) return;
  }
}
