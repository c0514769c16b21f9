import type { Edit, Note } from '../api/types';

interface Props {
  notes: readonly Note[];
  onFix: (edit: Edit) => void;
  /** What is said where there is nothing to say. */
  none?: string;
  /** What shows the squares of a note, where a screen can. */
  onChoose?: (cells: readonly string[], planting: string | null) => void;
}

const WORD = { stop: 'Stop', care: 'Care', tip: 'Tip' } as const;

/** Stop, care and tip differ in word and shape. */
function Shape({ level }: { level: Note['level'] }) {
  return (
    <svg
      width={14}
      height={14}
      viewBox="0 0 14 14"
      className="shrink-0 self-center"
      aria-hidden="true"
    >
      {level === 'stop' && <rect x={1} y={1} width={12} height={12} fill="var(--damson)" />}
      {level === 'care' && <path d="M7 1L13.5 13H.5z" fill="var(--marigold-line)" />}
      {level === 'tip' && (
        <circle cx={7} cy={7} r={5} fill="none" stroke="var(--ink)" strokeWidth={1.6} />
      )}
    </svg>
  );
}

const HOLDS = 'No problems found.';

/** Faults and cautions as sentences, each with its cause and what mends it. */
export function MarginNotes({ notes, onFix, onChoose, none = HOLDS }: Props) {
  if (notes.length === 0) {
    return <p className="py-2 text-muted">{none}</p>;
  }
  return (
    <ul className="space-y-2.5">
      {notes.map((note, index) => (
        <li key={`${note.code}${note.planting ?? ''}${index}`}>
          <p className="flex items-baseline gap-2">
            <Shape level={note.level} />
            <strong>{WORD[note.level]}</strong>
            {onChoose && note.cells.length > 0 && (
              <button
                type="button"
                className="press font-normal"
                onClick={() => onChoose(note.cells, note.planting)}
              >
                {note.code === 'idle' ? 'Choose these squares' : 'Show where'}
              </button>
            )}
          </p>
          <p>{note.text}</p>
          {note.fixes.length > 0 ? (
            <p className="flex flex-wrap gap-x-4">
              {note.fixes.map((fix) => (
                <button
                  key={fix.label}
                  type="button"
                  className="press"
                  onClick={() => onFix(fix.edit)}
                >
                  {fix.label}
                </button>
              ))}
            </p>
          ) : (
            note.fix && <p className="text-muted">{note.fix}</p>
          )}
        </li>
      ))}
    </ul>
  );
}
