import { Copy } from 'lucide-react';
import { Button } from '../../../ui/Button';
import { tell } from '../../../ui/tell';

/** A link to hand over, whole and to be copied: it is shown to whoever invites, and to nobody else. */
export function LinkToGive({ url }: { readonly url: string }) {
  const copy = () =>
    void navigator.clipboard.writeText(url).then(
      () => tell('Copied. Give it to this person only: it lets in whoever holds it.'),
      () => tell('Not copied. Mark the link and copy it by hand.', { tone: 'stop' }),
    );
  return (
    <div className="flex items-center gap-2">
      <input
        readOnly
        value={url}
        aria-label="Link to hand over"
        onFocus={(event) => event.currentTarget.select()}
        className="flex-1 min-w-0 rounded-xl border border-line bg-paper px-3 min-h-11 text-sm"
      />
      <Button onClick={copy}>
        <Copy size={18} aria-hidden />
        Copy
      </Button>
    </div>
  );
}
