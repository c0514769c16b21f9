import { useQueryClient } from '@tanstack/react-query';
import { useNavigate } from 'react-router';

import { answeredState, api, ProblemError } from '../api/client';
import { gardensKey } from '../api/garden';
import { FileButton } from '../kit/FileButton';
import { useMessages } from '../kit/messages';

/** A plan document from a file, kept as a garden of its own. */
export function ImportPlan() {
  const { say, working } = useMessages();
  const client = useQueryClient();
  const go = useNavigate();
  const take = async (chosen: File) => {
    const stop = new AbortController();
    const done = working('Reading the plan', () => stop.abort());
    try {
      const made = await answeredState(
        api.POST('/api/gardens', {
          // The document goes as it is: the server reads and judges it.
          body: (await chosen.text()) as never,
          bodySerializer: (body) => body as unknown as string,
          headers: { 'content-type': 'application/json' },
          signal: stop.signal,
        }),
      );
      await client.invalidateQueries({ queryKey: gardensKey });
      void go(`/gardens/${made.head.slug}`);
    } catch (cause) {
      if (cause instanceof ProblemError)
        say({ kind: 'stop', text: `${chosen.name}: ${cause.message}` });
      else if (!stop.signal.aborted) throw cause;
    } finally {
      done();
    }
  };
  return (
    <FileButton
      words="Import a plan document as a new garden"
      label="Plan document"
      accept=".json,application/json"
      onFile={(chosen) => void take(chosen)}
    />
  );
}
