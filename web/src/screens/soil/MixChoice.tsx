import { Choice } from '../../kit/Choice';
import { useMixes } from '../../api/useSoil';

interface Props {
  label: string;
  value: string;
  /** What it means to choose none. */
  none: string;
  /** The grower's own recipes. */
  recipes: readonly { id: string; name?: string | null }[];
  onChange: (mix: string) => void;
}

/** A choice among the mixes, with what the chosen one is for. */
export function MixChoice({ label, value, none, recipes, onChange }: Props) {
  const mixes = useMixes();
  const shipped = Object.entries(mixes.data ?? {}).map(([id, mix]) => [id, mix.label] as const);
  const own = recipes.map((recipe) => [recipe.id, recipe.name ?? recipe.id] as const);
  const chosen = mixes.data?.[value];
  return (
    <div className="col-span-full">
      <Choice
        label={label}
        value={value}
        options={[['', none], ...shipped, ...own]}
        onChange={onChange}
      />
      {chosen && <p className="text-[12.5px] text-muted">{`For ${chosen.suits}.`}</p>}
    </div>
  );
}
