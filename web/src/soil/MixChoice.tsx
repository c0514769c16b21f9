import { Choice } from '../app/Choice';
import { useMixes } from './useSoil';

interface Props {
  label: string;
  value: string;
  /** What it means to choose none. */
  none: string;
  onChange: (mix: string) => void;
}

/** A choice among the mixes, with what the chosen one is for. */
export function MixChoice({ label, value, none, onChange }: Props) {
  const mixes = useMixes();
  const known = Object.entries(mixes.data ?? {}).map(([id, mix]) => [id, mix.label] as const);
  const chosen = mixes.data?.[value];
  return (
    <div className="col-span-full">
      <Choice label={label} value={value} options={[['', none], ...known]} onChange={onChange} />
      {chosen && <p className="text-[12.5px] text-muted">{`For ${chosen.suits}.`}</p>}
    </div>
  );
}
