import './owner.css';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { OwnerPageScreen } from './features/ownerPage/OwnerPageScreen';
import { largeLetters, showLarge } from './features/ownerPage/largeLetters';
import { showTheme } from './browser/useTheme';

/*
 * The page behind an owner's link: an entry of its own, without the salon's rooms, their router and what a device keeps of
 * them. A telephone of 2018 over a slow network opens it in a breath.
 */
showTheme();
if (largeLetters()) showLarge(true);

const root = document.getElementById('root');
if (!root) throw new Error('The page has no place for itself.');
createRoot(root).render(
  <StrictMode>
    <QueryClientProvider client={new QueryClient()}>
      <OwnerPageScreen />
    </QueryClientProvider>
  </StrictMode>,
);
