import { createContext, useCallback, useContext, useMemo, useRef, useState } from 'react';
import type { ReactNode } from 'react';

/** One line at the foot of the page: what went wrong, or what is taking its time. */

export interface Message {
  kind: 'tip' | 'care' | 'stop';
  text: string;
}

interface Work {
  id: number;
  words: string;
  cancel: () => void;
}

interface Messages {
  say: (message: Message | null) => void;
  /** Tell of work that lasts; call the result when it is over. */
  working: (words: string, cancel: () => void) => () => void;
}

const Context = createContext<Messages | null>(null);
const SHOWN_AFTER_MS = 1000;

export function useMessages(): Messages {
  const messages = useContext(Context);
  if (!messages) throw new Error('useMessages outside MessagesProvider');
  return messages;
}

const WORD = { tip: 'Tip', care: 'Care', stop: 'Not done' } as const;

export function MessagesProvider({ children }: { children: ReactNode }) {
  const [message, setMessage] = useState<Message | null>(null);
  const [work, setWork] = useState<Work | null>(null);
  const next = useRef(0);

  const working = useCallback((words: string, cancel: () => void) => {
    next.current += 1;
    const id = next.current;
    const timer = setTimeout(() => setWork({ id, words, cancel }), SHOWN_AFTER_MS);
    return () => {
      clearTimeout(timer);
      setWork((current) => (current?.id === id ? null : current));
    };
  }, []);
  const value = useMemo(() => ({ say: setMessage, working }), [working]);

  return (
    <Context value={value}>
      {children}
      <div
        role="status"
        aria-live="polite"
        className="no-print pointer-events-none fixed bottom-0 left-0 right-0 z-30 flex justify-center"
      >
        {message && (
          <p className="pointer-events-auto flex max-w-3xl items-baseline gap-3 border border-ink bg-paper px-4 py-2">
            <strong className={message.kind === 'stop' ? 'text-damson' : 'text-marigold'}>
              {WORD[message.kind]}
            </strong>
            <span>{message.text}</span>
            <button type="button" className="press" onClick={() => setMessage(null)}>
              Close
            </button>
          </p>
        )}
        {work && (
          <p className="pointer-events-auto flex items-baseline gap-3 border border-ink bg-paper px-4 py-2">
            <span>{work.words} …</span>
            <button type="button" className="press" onClick={work.cancel}>
              Cancel
            </button>
          </p>
        )}
      </div>
    </Context>
  );
}
