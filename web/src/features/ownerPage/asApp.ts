import type { OwnerPage } from '@dewpond/contract';

/**
 * Says under which name and address this page may stand among a telephone's applications. The address holds the link's
 * secret behind the `#`: it is told to this telephone and to nobody else. Each dog is an application of its own.
 * @returns takes it back.
 */
export function asApp({ dog, business, language }: Pick<OwnerPage, 'dog' | 'business' | 'language'>): () => void {
  const here = new URL(location.href);
  const paper = getComputedStyle(document.documentElement).getPropertyValue('--paper').trim();
  const manifest = {
    id: `${here.origin}/owner?of=${encodeURIComponent(`${dog}, ${business.name}`)}`,
    name: `${dog}, ${business.name}`,
    short_name: dog,
    lang: language,
    start_url: here.href,
    scope: `${here.origin}/owner`,
    display: 'standalone',
    background_color: paper,
    theme_color: business.colour,
    icons: [{ src: `${here.origin}/pond.svg`, sizes: 'any', type: 'image/svg+xml', purpose: 'any' }],
  };
  const url = URL.createObjectURL(new Blob([JSON.stringify(manifest)], { type: 'application/manifest+json' }));
  const link = document.createElement('link');
  link.rel = 'manifest';
  link.href = url;
  document.head.append(link);
  return () => {
    link.remove();
    URL.revokeObjectURL(url);
  };
}
