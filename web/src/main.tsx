import './styles.css';
import { QueryClientProvider } from '@tanstack/react-query';
import { StrictMode, Suspense, lazy } from 'react';
import { createRoot } from 'react-dom/client';
import { prefetchToday, queryClient } from './data/queries';
import { Door } from './app/Door';
import { keepOnDevice } from './browser/newVersion';
import { wasSignedInHere } from './browser/signedInHere';
import { showTheme } from './browser/useTheme';
import { Coming } from './ui/Waiting';

showTheme();

/** Whoever joins or begins has no account yet. An owner has none at all: their page is an entry of its own (owner.tsx). */
const isOutside = ['/join', '/begin'].includes(window.location.pathname);

const fetchRooms = () => import('./app/Rooms');
const Rooms = lazy(async () => ({ default: (await fetchRooms()).Rooms }));
// Whoever has to sign in first does so before the rest is fetched; whoever is signed in does not wait for it.
if (isOutside || wasSignedInHere()) void fetchRooms();
// The first screen of most days is asked for with its data, not after the rooms and not after each other.
if (window.location.pathname === '/' && wasSignedInHere()) {
  void import('./features/today/TodayScreen');
  void prefetchToday();
}

const rooms = (
  <Suspense fallback={<Coming what="Dewpond" />}>
    <Rooms />
  </Suspense>
);

const root = document.getElementById('root');
if (!root) throw new Error('The page has no place for the application.');
createRoot(root).render(
  <StrictMode>
    <QueryClientProvider client={queryClient}>{isOutside ? rooms : <Door>{() => rooms}</Door>}</QueryClientProvider>
  </StrictMode>,
);

// Only the built application has a manifest. Over plain http on another host there are no service workers: the
// application works, but only with a network.
if ('serviceWorker' in navigator && document.querySelector('link[rel=manifest]'))
  void keepOnDevice().catch(() => undefined);
