import type { BathShown } from '@dewpond/core/steps';

/** What a person must decide before this bath is mixed. */
export const BathTrouble = ({ bath }: { readonly bath: BathShown | null }) =>
  bath === null || bath.trouble.length === 0 ? null : (
    <ul aria-label="Before it is mixed" className="rounded-xl bg-watch-pale text-watch font-semibold px-3 py-2 mb-3">
      {bath.trouble.map((words) => (
        <li key={words}>{words}</li>
      ))}
    </ul>
  );
