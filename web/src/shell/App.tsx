import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { BrowserRouter, Link, Navigate, Route, Routes, useParams } from 'react-router';
import { lazy, Suspense, useEffect } from 'react';
import type { ComponentType } from 'react';

import { ProblemError } from '../api/client';
import { useGarden, useGardens } from '../api/garden';
import type { HeldGarden } from '../api/merge';
import { SquaresScreen } from '../screens/squares/SquaresScreen';
import { MessagesProvider } from '../kit/messages';
import { NoFigures } from './NoFigures';
import { measureBy } from '../kit/measures';
import { PreferencesProvider, usePreferences } from '../kit/preferences';
import { Shell } from './Shell';

// What is not needed to open a bed is fetched when it is asked for.
const FirstBed = lazy(() =>
  import('../screens/start/FirstBed').then((part) => ({ default: part.FirstBed })),
);
const GardenScreen = lazy(() =>
  import('../screens/garden/GardenScreen').then((part) => ({ default: part.GardenScreen })),
);
const PlaceForm = lazy(() =>
  import('../screens/places/PlaceForm').then((part) => ({ default: part.PlaceForm })),
);
const GroundScreen = lazy(() =>
  import('../screens/ground/GroundScreen').then((part) => ({ default: part.GroundScreen })),
);

const SoilScreen = lazy(() =>
  import('../screens/soil/SoilScreen').then((part) => ({ default: part.SoilScreen })),
);

const MarkingSheet = lazy(() =>
  import('../screens/squares/MarkingSheet').then((part) => ({ default: part.MarkingSheet })),
);
const SupportScreen = lazy(() =>
  import('../screens/supports/SupportScreen').then((part) => ({ default: part.SupportScreen })),
);
const CoverScreen = lazy(() =>
  import('../screens/covers/CoverScreen').then((part) => ({ default: part.CoverScreen })),
);
const YearScreen = lazy(() =>
  import('../screens/year/YearScreen').then((part) => ({ default: part.YearScreen })),
);
const FillScreen = lazy(() =>
  import('../screens/fill/FillScreen').then((part) => ({ default: part.FillScreen })),
);
const RecordScreen = lazy(() =>
  import('../screens/record/RecordScreen').then((part) => ({ default: part.RecordScreen })),
);
const PantryScreen = lazy(() =>
  import('../screens/pantry/PantryScreen').then((part) => ({ default: part.PantryScreen })),
);
const SeedBox = lazy(() =>
  import('../screens/book/SeedBox').then((part) => ({ default: part.SeedBox })),
);
const Methods = lazy(() =>
  import('../screens/book/Methods').then((part) => ({ default: part.Methods })),
);
const KeepingScreen = lazy(() =>
  import('../screens/keeping/KeepingScreen').then((part) => ({ default: part.KeepingScreen })),
);
const CropBook = lazy(() =>
  import('../screens/book/CropBook').then((part) => ({ default: part.CropBook })),
);

const client = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 5_000,
      // What is wrong stays wrong; a server that is busy or being started is asked again.
      retry: (count, error) => count < 3 && error instanceof ProblemError && error.passes,
      retryDelay: (count) => 700 * 2 ** count,
      refetchOnWindowFocus: true,
    },
  },
});

const NOWHERE = new ProblemError(null, 'There is no such page.');

export function App() {
  return (
    <QueryClientProvider client={client}>
      <PreferencesProvider>
        <MessagesProvider>
          <BrowserRouter>
            <Routes>
              <Route path="/" element={<Home />} />
              <Route
                path="/start"
                element={
                  <Suspense fallback={<Waiting />}>
                    <FirstBed />
                  </Suspense>
                }
              />
              <Route
                path="/keeping"
                element={
                  <Suspense fallback={<Waiting />}>
                    <KeepingScreen />
                  </Suspense>
                }
              />
              <Route path="/gardens/:garden" element={<ToSquares />} />
              <Route path="/gardens/:garden/ground" element={<Within screen={GroundScreen} />} />
              <Route path="/gardens/:garden/soil" element={<Within screen={SoilScreen} />} />
              <Route
                path="/gardens/:garden/squares/:place?"
                element={<Within screen={SquaresScreen} />}
              />
              <Route path="/gardens/:garden/year" element={<Within screen={YearScreen} />} />
              <Route path="/gardens/:garden/fill" element={<Within screen={FillScreen} />} />
              <Route path="/gardens/:garden/pantry" element={<Within screen={PantryScreen} />} />
              <Route path="/gardens/:garden/record" element={<Within screen={RecordScreen} />} />
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
              <Route path="*" element={<Trouble problem={NOWHERE} />} />
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
    return <Trouble problem={gardens.error} retry={() => void gardens.refetch()} />;
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
  const { opened } = usePreferences();
  const { units, words } = state.data?.plan.garden ?? {};
  const isOpen = state.data !== undefined;
  const held = state.data?.report.measures;
  useEffect(() => {
    if (held) measureBy(held);
  }, [held]);
  useEffect(() => {
    if (isOpen) opened(units ?? 'metric', words ?? 'en-GB');
  }, [isOpen, units, words, opened]);
  if (state.isPending) return <Waiting />;
  if (state.isError) return <Trouble problem={state.error} retry={() => void state.refetch()} />;
  const { plan, report } = state.data;
  // The garden's own screen needs no figures; every other one is drawn from them.
  const bare = plan.places.length > report.places.length && Screen !== GardenScreen;
  return (
    <Shell state={state.data}>
      <Suspense fallback={<Waiting />}>
        {bare ? <NoFigures state={state.data} /> : <Screen key={place} state={state.data} />}
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

function Trouble({ problem, retry }: { problem: ProblemError; retry?: () => void }) {
  const closed = problem.is('closed');
  return (
    <main className="max-w-3xl p-8">
      <h1 className="text-xl">
        {closed ? 'Open this page from its link' : 'Something went wrong'}
      </h1>
      <p className="my-3">{problem.message}</p>
      <p className="flex gap-4">
        {retry && (
          <button type="button" className="act" onClick={retry}>
            Try again
          </button>
        )}
        {!closed && (
          <>
            <Link className="press" to="/">
              Open the first garden
            </Link>
            <Link className="press" to="/keeping">
              Backups and deleted gardens
            </Link>
          </>
        )}
      </p>
    </main>
  );
}
