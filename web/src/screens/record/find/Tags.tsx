import { Link } from 'react-router';

/** Tags of an entry; each leads to all that carries it. */
export function Tags({ tags }: { tags: readonly string[] }) {
  return (
    <>
      {tags.map((tag) => (
        <Link
          key={tag}
          className="press mr-2"
          to={`?view=find&words=${encodeURIComponent(`#${tag}`)}`}
        >
          {`#${tag}`}
        </Link>
      ))}
    </>
  );
}
