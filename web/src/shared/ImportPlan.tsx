import { useQueryClient } from '@tanstack/react-query';
import { useNavigate } from 'react-router';

import { attempt } from '../api/attempt';
import { answeredState, api } from '../api/client';
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
    const made = await attempt(
      async () =>
        answeredState(
          api.POST('/api/gardens', {
            // The document goes as it is: the server reads and judges it.
            body: (await chosen.text()) as never,
            bodySerializer: (body) => body as unknown as string,
            headers: { 'content-type': 'application/json' },
            signal: stop.signal,
          }),
        ),
      done,
    );
    if (made.is === 'refused') say({ kind: 'stop', text: `${chosen.name}: ${made.why.message}` });
    if (made.is !== 'done') return;
    await client.invalidateQueries({ queryKey: gardensKey });
    void go(`/gardens/${made.value.head.slug}`);
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
