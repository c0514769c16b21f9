import { Link } from 'react-router';

import { useKeeping } from '../screens/keeping/useKeeping';

/** One line where something is wrong with how the gardens are kept; nothing where all is well. */
export function KeepingNotice() {
  const keeping = useKeeping();
  const { damage, warnings } = keeping.data ?? { damage: null, warnings: [] };
  if (damage === null && warnings.length === 0) return null;
  return (
    <p role="alert" className="no-print px-3 pt-2 text-[13px]">
      <strong className={damage === null ? 'text-marigold' : 'text-damson'}>
        {damage === null ? 'Care' : 'Stop'}
      </strong>{' '}
      {damage === null ? warnings[0] : 'The file of your gardens is damaged.'}{' '}
      <Link className="press" to="/keeping">
        Backups
      </Link>
    </p>
  );
}
