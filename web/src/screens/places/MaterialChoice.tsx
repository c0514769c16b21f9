import { Choice } from '../../kit/Choice';
import { useMaterials } from '../../api/useSoil';

interface Props {
  use: 'frame' | 'container';
  value: string;
  onChange: (material: string) => void;
}

/** What a frame or a container is made of, with what follows from it. */
export function MaterialChoice({ use, value, onChange }: Props) {
  const materials = useMaterials().data ?? {};
  const fitting = Object.entries(materials).filter(([, m]) => m.used_for === use);
  const chosen = materials[value];
  return (
    <div>
      <Choice
        label="Made of"
        value={value}
        options={[['', 'not said'], ...fitting.map(([id, m]) => [id, m.label] as const)]}
        onChange={onChange}
      />
      {chosen && (
        <p className="text-[12.5px] text-muted">
          {[
            `Lasts ${chosen.life_years.low}–${chosen.life_years.high} years.`,
            chosen.dries > 1 ? `Needs ${Math.round((chosen.dries - 1) * 100)} % more water.` : '',
            chosen.heat ?? '',
            chosen.caution ?? '',
          ]
            .filter(Boolean)
            .join(' ')}
        </p>
      )}
    </div>
  );
}
