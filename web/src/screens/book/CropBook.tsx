import { Link, useSearchParams } from 'react-router';

import { useEditor } from '../../api/garden';
import type { HeldGarden } from '../../api/merge';
import { useVerdicts } from '../../shared/Verdict';
import { CropEntry } from './CropEntry';
import { CropFiles } from './CropFiles';
import { CropIndex } from './CropIndex';
import { CropWindows } from './CropWindows';
import { OwnFigures } from './OwnFigures';
import { OwnKind } from './OwnKind';
import { OwnWays } from './OwnWays';
import { useCropPage, useIndex } from '../../api/useBook';

const FIRST = 'tomato';

/** The crop book: a page for each crop as this garden has it, and the index beside it. */
export function CropBook({ state }: { state: HeldGarden }) {
  const [asked, setAsked] = useSearchParams();
  const crop = asked.get('crop') ?? FIRST;
  const place = asked.get('place');
  const { slug, version } = state.head;
  const editor = useEditor(slug);
  const verdicts = useVerdicts(slug);
  const index = useIndex(state, place);
  const page = useCropPage(state, crop);
  const set = (key: 'crop' | 'place', value: string) =>
    setAsked(
      (now) => {
        if (value) now.set(key, value);
        else now.delete(key);
        return now;
      },
      { replace: true },
    );
  const nameOf = (id: string) => index.data?.find((line) => line.id === id)?.name ?? id;
  const trouble = page.error ?? index.error;
  return (
    <main className="workbench soil">
      <header className="flex flex-wrap items-baseline gap-x-4 px-4 pt-2">
        <h1 className="text-xl">Crop book</h1>
        <p className="text-muted">
          {index.data ? `${index.data.length} crops and kinds` : 'Opening the book …'}
        </p>
        <Link className="press" to={`/gardens/${slug}/seeds`}>
          Seed box
        </Link>
        <Link className="press" to={`/gardens/${slug}/methods`}>
          Methods
        </Link>
        <CropFiles slug={slug} onEdit={editor.edit} />
      </header>
      <div className="sheet overflow-y-auto px-4 pb-4">
        {trouble && <p role="alert">{trouble.message}</p>}
        {page.data && (
          <>
            <CropEntry
              page={page.data}
              slug={slug}
              verdict={verdicts.data?.[page.data.crop.id]}
              nameOf={nameOf}
              onOpen={(id) => set('crop', id)}
            />
            <OwnFigures
              key={`${page.data.crop.id} ${version}`}
              page={page.data}
              onEdit={(edit) => void editor.edit(edit)}
            />
            <OwnWays
              key={`ways ${page.data.crop.id}`}
              page={page.data}
              onEdit={(edit) => void editor.edit(edit)}
            />
            <OwnKind
              key={page.data.crop.id}
              page={page.data}
              taken={(index.data ?? []).map((line) => line.id)}
              onEdit={editor.edit}
              onOpen={(id) => set('crop', id)}
            />
          </>
        )}
      </div>
      <aside className="side flex min-h-0 flex-col border-l border-rule px-3 pt-2">
        <CropIndex
          lines={index.data ?? []}
          chosen={crop}
          place={place}
          places={state.plan.places.map((p) => [p.id, p.name ?? p.id] as const)}
          onCrop={(id) => set('crop', id)}
          onPlace={(id) => set('place', id)}
        />
      </aside>
      <div className="strip border-t border-rule">
        {page.data && <CropWindows page={page.data} year={state.report.year} />}
      </div>
    </main>
  );
}
