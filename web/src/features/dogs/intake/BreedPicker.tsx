import { nameBreeds, type Breed, type Catalogue } from '@dewpond/core/catalogue';
import { Command } from 'cmdk';
import { Minus, Plus, X } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useId, useState } from 'react';
import { useCatalogue } from '../../../data/useCatalogue';
import { Button } from '../../../ui/Button';

interface BreedPickerProps {
  /** Ids of the parents; an id given twice is a larger share. */
  readonly value: readonly string[];
  readonly error?: string | undefined;
  readonly onChange: (breeds: readonly string[]) => void;
}

/** A cross has at most eight parts. */
const MOST_PARTS = 8;

/** Breed or parents, found by any of their names; shares of a cross by parts. */
export function BreedPicker({ value, error, onChange }: BreedPickerProps) {
  const label = useId();
  const catalogue = useCatalogue();
  const parents = [...new Set(value)].flatMap((id) => catalogue.find(id) ?? []);
  const add = (id: string) => onChange([...value, id]);
  return (
    <div role="group" aria-labelledby={label} className="flex flex-col gap-1.5 min-w-0">
      <span id={label} className="text-sm font-semibold">
        Breed, or parents of a cross
      </span>
      <ul className="flex flex-col gap-1.5">
        {parents.map((breed) => (
          <Parent
            key={breed.id}
            breed={breed}
            parts={value.filter((id) => id === breed.id).length}
            ofCross={parents.length > 1}
            full={value.length >= MOST_PARTS}
            onMore={() => add(breed.id)}
            onLess={() => onChange(without(value, breed.id))}
            onDrop={() => onChange(value.filter((id) => id !== breed.id))}
          />
        ))}
      </ul>
      <Finder
        word={parents.length === 0 ? 'Choose a breed' : 'Crossed with…'}
        breeds={catalogue.breeds}
        disabled={value.length >= MOST_PARTS}
        onPick={add}
      />
      {error ? (
        <p role="alert" className="text-sm text-stop font-semibold">
          {error}
        </p>
      ) : (
        <p className="text-sm text-soft">
          {parents.length === 0
            ? 'None: mixed, described by its looks.'
            : parents.length > 1
              ? nameBreeds(value, catalogue)
              : crossWords(parents[0], catalogue)}
        </p>
      )}
    </div>
  );
}

/** One part fewer of a breed. */
function without(value: readonly string[], id: string): string[] {
  const at = value.lastIndexOf(id);
  return value.filter((_, i) => i !== at);
}

const crossWords = (breed: Breed | undefined, catalogue: Catalogue): string =>
  breed && breed.parents.length > 0 ? nameBreeds(breed.parents, catalogue) : (breed?.why ?? '');

interface ParentProps {
  readonly breed: Breed;
  readonly parts: number;
  readonly ofCross: boolean;
  readonly full: boolean;
  readonly onMore: () => void;
  readonly onLess: () => void;
  readonly onDrop: () => void;
}

function Parent({ breed, parts, ofCross, full, onMore, onLess, onDrop }: ParentProps) {
  return (
    <li className="flex items-center gap-1 rounded-xl border border-line bg-surface pl-3">
      <span className="flex-1 font-semibold py-2">
        {breed.name}
        {ofCross && parts > 1 && <span className="font-normal text-soft"> {parts} parts</span>}
      </span>
      {ofCross && (
        <>
          <Button
            look="quiet"
            className="px-0! size-11 border-0!"
            aria-label={`One part less ${breed.name}`}
            disabled={parts === 1}
            onClick={onLess}
          >
            <Minus size={18} aria-hidden />
          </Button>
          <Button
            look="quiet"
            className="px-0! size-11 border-0!"
            aria-label={`One part more ${breed.name}`}
            disabled={full}
            onClick={onMore}
          >
            <Plus size={18} aria-hidden />
          </Button>
        </>
      )}
      <Button look="quiet" className="px-0! size-11 border-0!" aria-label={`Not ${breed.name}`} onClick={onDrop}>
        <X size={18} aria-hidden />
      </Button>
    </li>
  );
}

/** The search over all breeds and crosses; other names find them too. */
function Finder({
  word,
  breeds,
  disabled,
  onPick,
}: {
  readonly word: string;
  readonly breeds: readonly Breed[];
  readonly disabled: boolean;
  readonly onPick: (id: string) => void;
}) {
  const [open, setOpen] = useState(false);
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger asChild>
        <Button look="plain" disabled={disabled} className="justify-start! font-normal!">
          {word}
        </Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={6}
          collisionPadding={12}
          className="z-50 w-80 rounded-xl border border-line bg-surface shadow-lg overflow-hidden"
        >
          <Command label="Find a breed" loop>
            <Command.Input
              placeholder="pug, cockapoo, sausage dog…"
              className="w-full bg-surface px-3 min-h-12 border-b border-line outline-none"
            />
            <Command.List className="max-h-72 overflow-y-auto p-1">
              <Command.Empty className="px-3 py-3 text-soft">
                No such breed. Leave it out, and note its looks.
              </Command.Empty>
              {breeds.map((breed) => (
                <Command.Item
                  key={breed.id}
                  value={breed.name}
                  keywords={[...breed.alsoCalled]}
                  onSelect={() => {
                    onPick(breed.id);
                    setOpen(false);
                  }}
                  className="rounded-lg px-3 py-2 min-h-11 cursor-pointer data-[selected=true]:bg-pond-pale"
                >
                  {breed.name}
                  {breed.alsoCalled.length > 0 && (
                    <span className="text-soft text-sm"> {breed.alsoCalled.join(', ')}</span>
                  )}
                </Command.Item>
              ))}
            </Command.List>
          </Command>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
