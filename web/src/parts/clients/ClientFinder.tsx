import { addressLine, plainWords } from '@dewpond/core/clients';
import { Command } from 'cmdk';
import { Popover } from 'radix-ui';
import { useId, useMemo, useState } from 'react';
import { useClients } from '../../data/queries';
import { Button } from '../../ui/Button';

/** As many as one looks through. */
const SHOWN = 12;

interface ClientFinderProps {
  /** A client's id; empty for a new owner. */
  readonly value: string;
  readonly label?: string;
  /** What choosing nobody is called. */
  readonly nobody?: string;
  /** Clients that cannot be chosen. */
  readonly without?: readonly string[];
  readonly onChange: (clientId: string) => void;
}

/** Finds an owner in the book by name, number or street. */
export function ClientFinder({
  value,
  label = 'In the book already?',
  nobody = 'No, a new owner',
  without = [],
  onChange,
}: ClientFinderProps) {
  const labelId = useId();
  const [open, setOpen] = useState(false);
  const [words, setWords] = useState('');
  const clients = useClients().data;
  const all = useMemo(
    () =>
      (clients ?? [])
        .filter((client) => client.archivedOn === null)
        .map(({ id, name, card }) => ({
          id,
          name,
          hint: card.phones[0]?.number ?? addressLine(card.address),
          text: plainWords([name, ...card.phones.map(({ number }) => number), addressLine(card.address)].join(' ')),
        })),
    [clients],
  );
  const wanted = plainWords(words).split(/\s+/);
  const found = all
    .filter(({ id, text }) => !without.includes(id) && wanted.every((word) => text.includes(word)))
    .slice(0, SHOWN);
  const chosen = all.find(({ id }) => id === value);
  const pick = (id: string) => {
    onChange(id);
    setOpen(false);
    setWords('');
  };
  return (
    <div className="flex flex-col gap-1.5">
      <span id={labelId} className="text-sm font-semibold">
        {label}
      </span>
      <Popover.Root open={open} onOpenChange={setOpen}>
        <Popover.Trigger asChild>
          <Button look="plain" aria-labelledby={labelId} className="justify-start! font-normal! text-left">
            {chosen ? `${chosen.name}, ${chosen.hint}` : nobody}
          </Button>
        </Popover.Trigger>
        <Popover.Portal>
          <Popover.Content
            align="start"
            sideOffset={6}
            collisionPadding={12}
            className="z-60 w-96 max-w-[94vw] rounded-xl border border-line bg-surface shadow-lg overflow-hidden"
          >
            <Command label="Find an owner" loop shouldFilter={false}>
              <Command.Input
                value={words}
                onValueChange={setWords}
                placeholder="name, number or street"
                className="w-full bg-surface px-3 min-h-12 border-b border-line outline-none"
              />
              <Command.List className="max-h-72 overflow-y-auto p-1">
                <Command.Empty className="px-3 py-3 text-soft">Nobody of that name in the book.</Command.Empty>
                {value !== '' && (
                  <Row id="" onPick={pick}>
                    {nobody}
                  </Row>
                )}
                {found.map(({ id, name, hint }) => (
                  <Row key={id} id={id} onPick={pick}>
                    {name} <span className="text-soft text-sm">{hint}</span>
                  </Row>
                ))}
              </Command.List>
            </Command>
          </Popover.Content>
        </Popover.Portal>
      </Popover.Root>
    </div>
  );
}

const Row = ({
  id,
  onPick,
  children,
}: {
  readonly id: string;
  readonly onPick: (id: string) => void;
  readonly children: React.ReactNode;
}) => (
  <Command.Item
    value={id || 'nobody'}
    onSelect={() => onPick(id)}
    className="rounded-lg px-3 py-2 min-h-11 cursor-pointer data-[selected=true]:bg-pond-pale"
  >
    {children}
  </Command.Item>
);
