import type { OwnerPage } from '@dewpond/contract';
import { useEffect, useState } from 'react';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { asApp } from './asApp';
import { largeLetters, showLarge } from './largeLetters';

/** What Chromium says when a page may be put beside the other applications of a telephone. */
interface InstallOffer extends Event {
  readonly prompt: () => Promise<unknown>;
}

/** Letters as large as one needs, and the page among the telephone's applications where it lets us offer that. */
export function PageTools({ page, isRead }: { readonly page: OwnerPage; readonly isRead: boolean }) {
  const { words, dog, business, language } = page;
  const [large, setLarge] = useState(largeLetters);
  const [offer, setOffer] = useState<InstallOffer | null>(null);
  useEffect(() => {
    const offered = (event: Event) => {
      event.preventDefault();
      setOffer(event as InstallOffer);
    };
    window.addEventListener('beforeinstallprompt', offered);
    return () => window.removeEventListener('beforeinstallprompt', offered);
  }, []);
  // A slow telephone reads first.
  useEffect(() => (isRead ? asApp({ dog, business, language }) : undefined), [isRead, dog, business, language]);
  return (
    <p className="no-print max-w-[880px] mx-auto mb-3 flex flex-wrap justify-end gap-2">
      {offer && (
        <Button look="quiet" onClick={() => void offer.prompt().then(() => setOffer(null))}>
          {words.putOnPhone}
        </Button>
      )}
      <Choice
        chosen={large}
        className="min-h-11!"
        onClick={() => {
          showLarge(!large);
          setLarge(!large);
        }}
      >
        {words.largeLetters}
      </Choice>
    </p>
  );
}
