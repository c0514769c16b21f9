/** What was deleted last, to be put back. */
export function PutBack({ onPutBack }: { onPutBack: () => void }) {
  return (
    <p className="text-[13px] text-muted" role="status">
      {'Deleted. '}
      <button type="button" className="press" onClick={onPutBack}>
        Put it back
      </button>
    </p>
  );
}
