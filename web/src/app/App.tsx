import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { BrowserRouter, Link, Navigate, Route, Routes, useParams } from 'react-router';
import { lazy, Suspense } from 'react';
import type { ComponentType } from 'react';

import { useGarden, useGardens } from '../api/garden';
import type { HeldGarden } from '../api/merge';
import { GardenScreen } from '../garden/GardenScreen';
import { PlaceForm } from '../places/PlaceForm';
import { SquaresScreen } from '../squares/SquaresScreen';
import { FirstBed } from '../start/FirstBed';
import { MessagesProvider } from './messages';
import { PreferencesProvider } from './preferences';
import { Shell } from './Shell';

// The yard's drawing is not needed to open a bed: it is fetched when it is asked for.
const GroundScreen = lazy(() =>
  import('../ground/GroundScreen').then((part) => ({ default: part.GroundScreen })),
);

const SoilScreen = lazy(() =>
  import('../soil/SoilScreen').then((part) => ({ default: part.SoilScreen })),
);

const MarkingSheet = lazy(() =>
  import('../squares/MarkingSheet').then((part) => ({ default: part.MarkingSheet })),
);
const SupportScreen = lazy(() =>
  import('../supports/SupportScreen').then((part) => ({ default: part.SupportScreen })),
);
const CoverScreen = lazy(() =>
  import('../covers/CoverScreen').then((part) => ({ default: part.CoverScreen })),
);
const YearScreen = lazy(() =>
  import('../year/YearScreen').then((part) => ({ default: part.YearScreen })),
);
const PantryScreen = lazy(() =>
  import('../pantry/PantryScreen').then((part) => ({ default: part.PantryScreen })),
);
const SeedBox = lazy(() => import('../book/SeedBox').then((part) => ({ default: part.SeedBox })));
const Methods = lazy(() => import('../book/Methods').then((part) => ({ default: part.Methods })));
const CropBook = lazy(() =>
  import('../book/CropBook').then((part) => ({ default: part.CropBook })),
);

const client = new QueryClient({
  defaultOptions: { queries: { staleTime: 5_000, retry: 1, refetchOnWindowFocus: true } },
});

export function App() {
  return (
    <QueryClientProvider client={client}>
      <PreferencesProvider>
        <MessagesProvider>
          <BrowserRouter>
            <Routes>
              <Route path="/" element={<Home />} />
              <Route path="/start" element={<FirstBed />} />
              <Route path="/gardens/:garden" element={<ToSquares />} />
              <Route path="/gardens/:garden/ground" element={<Within screen={GroundScreen} />} />
              <Route path="/gardens/:garden/soil" element={<Within screen={SoilScreen} />} />
              <Route
                path="/gardens/:garden/squares/:place?"
                element={<Within screen={SquaresScreen} />}
              />
              <Route path="/gardens/:garden/year" element={<Within screen={YearScreen} />} />
              <Route path="/gardens/:garden/pantry" element={<Within screen={PantryScreen} />} />
              <Route path="/gardens/:garden/crops" element={<Within screen={CropBook} />} />
              <Route
                path="/gardens/:garden/places/:place/marking"
                element={<Within screen={MarkingSheet} />}
              />
              <Route
                path="/gardens/:garden/places/:place/supports/:support?"
                element={<Within screen={SupportScreen} />}
              />
              <Route
                path="/gardens/:garden/places/:place/covers"
                element={<Within screen={CoverScreen} />}
              />
              <Route path="/gardens/:garden/seeds" element={<Within screen={SeedBox} />} />
              <Route path="/gardens/:garden/methods" element={<Within screen={Methods} />} />
              <Route path="/gardens/:garden/garden" element={<Within screen={GardenScreen} />} />
              <Route path="/gardens/:garden/places/new" element={<Within screen={PlaceForm} />} />
              <Route
                path="/gardens/:garden/places/:place/change"
                element={<Within screen={PlaceForm} />}
              />
              <Route path="*" element={<Trouble text="There is no such page." />} />
            </Routes>
          </BrowserRouter>
        </MessagesProvider>
      </PreferencesProvider>
    </QueryClientProvider>
  );
}

function Home() {
  const gardens = useGardens();
  if (gardens.isPending) return <Waiting />;
  if (gardens.isError)
    return <Trouble text={gardens.error.message} retry={() => void gardens.refetch()} />;
  const first = gardens.data[0];
  return <Navigate replace to={first ? `/gardens/${first.slug}` : '/start'} />;
}

function ToSquares() {
  const { garden = '' } = useParams();
  return <Navigate replace to={`/gardens/${garden}/squares`} />;
}

function Within({ screen: Screen }: { screen: ComponentType<{ state: HeldGarden }> }) {
  const { garden = '', place = '' } = useParams();
  const state = useGarden(garden);
  if (state.isPending) return <Waiting />;
  if (state.isError)
    return <Trouble text={state.error.message} retry={() => void state.refetch()} />;
  return (
    <Shell state={state.data}>
      <Suspense fallback={<Waiting />}>
        <Screen key={place} state={state.data} />
      </Suspense>
    </Shell>
  );
}

function Waiting() {
  return (
    <main className="p-8">
      <p role="status" className="text-muted">
        Opening the garden …
      </p>
    </main>
  );
}

function Trouble({ text, retry }: { text: string; retry?: () => void }) {
  return (
    <main className="p-8">
      <h1 className="text-xl">This did not work</h1>
      <p className="my-3">{text}</p>
      <p className="flex gap-4">
        {retry && (
          <button type="button" className="act" onClick={retry}>
            Try again
          </button>
        )}
        <Link className="press" to="/">
          To the first garden
        </Link>
      </p>
    </main>
  );
}
