import type { HeldGarden } from '../../api/merge';
import type { Edit, Soil } from '../../api/types';
import { OwnList } from './OwnList';
import { OwnMaterials } from './OwnMaterials';
import { Choice } from '../../kit/Choice';
import { NumberField, TextField, useTyped, WholeFault } from '../../kit/form';
import { nextId } from '../../edits/edits';
import { useIngredients, useMixes } from '../../api/useSoil';

interface Props {
  state: HeldGarden;
  onEdit: (edit: Edit) => void;
}

/** The grower's own recipes, each begun from one that ships and changed part by part. */
export function Recipes({ state, onEdit }: Props) {
  const recipes = state.plan.soil?.recipes ?? [];
  const own = state.plan.soil?.materials ?? [];
  const inUse = new Set([state.plan.soil?.mix, ...state.plan.places.map((place) => place.mix)]);
  return (
    <div>
      <p className="mb-1 text-muted">A recipe settles, weighs and holds water as its parts do.</p>
      <OwnList
        items={recipes}
        said={(recipe) =>
          recipe.parts.map((part) => `${part.parts} ${nameIn(own, part.of)}`).join(', ')
        }
        inUse={inUse}
        newWords="A recipe of your own"
        onSave={(next) => onEdit({ do: 'change-soil', changes: { recipes: next } })}
        form={(recipe, keep) => (
          <RecipeForm
            recipe={recipe}
            own={own}
            taken={recipes.map((other) => other.id)}
            onSave={keep}
          />
        )}
      />
      <OwnMaterials state={state} onEdit={onEdit} />
    </div>
  );
}

/** What a part of a recipe is called: a material of the grower's own by its name. */
const nameIn = (own: Soil['materials'], id: string) =>
  own.find((material) => material.id === id)?.name ?? id;

type Recipe = NonNullable<NonNullable<HeldGarden['plan']['soil']>['recipes']>[number];

/** The field of its name, beside those of its parts. */
const NAME = 'its name';

function RecipeForm({
  recipe,
  own,
  taken,
  onSave,
}: {
  recipe: Recipe | undefined;
  own: Soil['materials'];
  taken: readonly string[];
  onSave: (recipe: Recipe) => void;
}) {
  const mixes = useMixes().data ?? {};
  const shipped = Object.keys(useIngredients().data ?? {});
  const ingredients = [...own.map((material) => material.id), ...shipped];
  const first: Record<string, string> = {
    [NAME]: recipe?.name ?? '',
    ...Object.fromEntries((recipe?.parts ?? []).map((part) => [part.of, String(part.parts)])),
  };
  const form = useTyped(first, (read): Recipe => {
    const parts = ingredients
      .map((of) => ({ of, parts: read.number(of, 0, 1000) ?? 0 }))
      .filter((part) => part.parts > 0);
    if (parts.length === 0) read.fault('whole', 'Add at least one part.');
    return { id: recipe?.id ?? nextId(taken, 'recipe-'), name: read.text(NAME), parts };
  });
  const begin = (id: string) => {
    const parts = mixes[id]?.parts ?? {};
    for (const what of new Set([...ingredients, ...Object.keys(parts)]))
      form.set(what, parts[what]?.toString() ?? '');
  };
  return (
    <form
      className="mt-1 grid grid-cols-2 gap-x-3 gap-y-1 border-t border-rule pt-1"
      aria-label="Recipe"
      onSubmit={form.sent(onSave)}
    >
      <TextField form={form} name={NAME} label="Name" />
      <Choice
        label="Begin from"
        value=""
        options={[
          ['', 'choose…'],
          ...Object.entries(mixes).map(([id, m]) => [id, m.label] as const),
        ]}
        onChange={begin}
      />
      {ingredients.map((what) => (
        <NumberField key={what} form={form} name={what} label={`Parts of ${nameIn(own, what)}`} />
      ))}
      <WholeFault form={form} />
      <p className="col-span-full pt-1">
        <button type="submit" className="act act-main">
          Save the recipe
        </button>
      </p>
    </form>
  );
}
