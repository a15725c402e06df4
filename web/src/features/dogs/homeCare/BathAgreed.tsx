import type { BusinessView, HomeBathView, HomeCareView } from '@dewpond/contract';
import { sayReading, type RatioSaid } from '@dewpond/core/dilution';
import { FILLED_KINDS, readOwnLabel, type HomeBathAgreed } from '@dewpond/core/homebath';
import { showProduct, millilitres } from '@dewpond/core/units';
import { Printer } from 'lucide-react';
import { useState } from 'react';
import { call } from '../../../api/call';
import { useWrite } from '../../../data/useWrite';
import { typedNumber } from '../../../forms/typedNumber';
import { BathAtHome } from '../../../parts/homeCare/BathAtHome';
import { May } from '../../../parts/May';
import { Button, buttonClasses } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { TextField } from '../../../ui/Field';
import { SelectField } from '../../../ui/SelectField';
import { tell } from '../../../ui/tell';

interface BathAgreedProps {
  readonly dogId: string;
  readonly owner: string;
  readonly bath: HomeBathView;
  readonly home: HomeCareView;
  readonly business: BusinessView;
}

type With = 'none' | HomeBathAgreed['bottle']['kind'];

/** The form as typed; what another bottle does not ask keeps its value. */
interface BathForm {
  readonly bottle: With;
  readonly name: string;
  readonly label: string;
  readonly said: RatioSaid | null;
  readonly productId: string;
  readonly everyDays: string;
}

function formOf({ agreed }: HomeBathView, products: BusinessView['products']): BathForm {
  const bottle = agreed?.bottle;
  return {
    bottle: bottle?.kind ?? 'none',
    name: bottle?.kind === 'own' ? bottle.name : '',
    label: bottle?.kind === 'own' ? bottle.label : '',
    said: bottle?.kind === 'own' ? bottle.said : null,
    productId: bottle?.kind === 'filled' ? bottle.productId : (products[0]?.id ?? ''),
    everyDays: String(agreed?.everyDays ?? 21),
  };
}

/** What is sent; null: no bath at home. What does not fit is told by the server, at the field. */
function agreedOf({ bottle, name, label, said, productId, everyDays }: BathForm): HomeBathAgreed | null {
  const days = typedNumber(everyDays);
  switch (bottle) {
    case 'none':
      return null;
    case 'own':
      return { bottle: { kind: bottle, name, label, said }, everyDays: days };
    case 'filled':
      return { bottle: { kind: bottle, productId }, everyDays: days };
    case 'prescribed':
      return { bottle: { kind: bottle }, everyDays: days };
  }
}

/** A bath at home: with what, how often, what it comes to with the spoons of a kitchen, and the small bottle to fill. */
export function BathAgreed({ dogId, owner, bath, home, business }: BathAgreedProps) {
  const products = business.products.filter((each) => FILLED_KINDS.includes(each.kind) && each.suppliedBy === 'house');
  const [form, setForm] = useState(() => formOf(bath, products));
  const set = (change: Partial<BathForm>) => setForm({ ...form, ...change });
  // What it comes to is of what was kept, not of what is being typed.
  const isKept = JSON.stringify(form) === JSON.stringify(formOf(bath, products));
  const write = useWrite('PUT /api/dogs/:id/home-bath', {
    write: (_, agreed: HomeBathAgreed | null) =>
      call('PUT /api/dogs/:id/home-bath', { id: dogId, body: { version: bath.version, agreed } }),
    onSuccess: (_, agreed) => tell(agreed === null ? 'No bath at home is asked.' : 'Kept. The owner’s page has it.'),
  });
  const choices: readonly (readonly [With, string])[] = bath.prescribed
    ? [
        ['none', 'No bath at home'],
        ['prescribed', `With what ${bath.prescribed} asked for`],
      ]
    : [
        ['none', 'No bath at home'],
        ['filled', 'We fill a small bottle'],
        ['own', 'The owner’s own bottle'],
      ];
  return (
    <section
      aria-label="A bath at home"
      className="no-print max-w-[880px] mx-auto mb-4 rounded-card border border-line bg-surface px-5 py-4"
    >
      <h2 className="text-lg mb-2">A bath at home</h2>
      <May deed="change dogs">
        <form
          className="flex flex-col gap-3"
          onSubmit={(event) => {
            event.preventDefault();
            write.mutate(agreedOf(form));
          }}
        >
          <div role="group" aria-label="With what" className="flex flex-wrap gap-2">
            {choices.map(([id, words]) => (
              <Choice key={id} chosen={form.bottle === id} onClick={() => set({ bottle: id })} className="min-h-11!">
                {words}
              </Choice>
            ))}
          </div>
          {form.bottle === 'own' && <OwnBottle form={form} set={set} owner={owner} oneToN={business.ways.readsOneTo} />}
          {form.bottle === 'filled' && (
            <div className="max-w-md">
              {products.length === 0 ? (
                <p role="status" className="rounded-xl bg-watch-pale px-3 py-2">
                  No wash on the shelf may be filled. Add one first: Mixing bench, Shelf.
                </p>
              ) : (
                <SelectField
                  label="Of which wash"
                  hint="As it comes, never mixed: a mix to keep spoils. What a vet prescribed is filled by nobody here."
                  value={form.productId}
                  onChange={(event) => set({ productId: event.target.value })}
                >
                  {products.map(({ id, name }) => (
                    <option key={id} value={id}>
                      {name}
                    </option>
                  ))}
                </SelectField>
              )}
            </div>
          )}
          <div className="flex flex-wrap items-end gap-3">
            {form.bottle !== 'none' && (
              <div className="w-48">
                <TextField
                  label="Every … days"
                  inputMode="numeric"
                  maxLength={3}
                  value={form.everyDays}
                  onChange={(event) => set({ everyDays: event.target.value })}
                />
              </div>
            )}
            <Button type="submit" look="plain" disabled={write.isPending}>
              Keep
            </Button>
          </div>
        </form>
      </May>
      {write.error && (
        <p role="alert" className="mt-2 text-stop font-semibold">
          {write.error.message}
        </p>
      )}
      {isKept && <WhatItComesTo dogId={dogId} bath={bath} home={home} business={business} />}
    </section>
  );
}

interface OwnBottleProps {
  readonly form: BathForm;
  readonly set: (change: Partial<BathForm>) => void;
  readonly owner: string;
  readonly oneToN: BusinessView['ways']['readsOneTo'];
}

/** A bottle as it is printed, read while one types: what can be meant in two ways is asked. */
function OwnBottle({ form, set, owner, oneToN }: OwnBottleProps) {
  const read = form.label.trim() === '' ? null : readOwnLabel(form.label, oneToN);
  // Where the trade differs by habit, the business's own is taken until somebody says otherwise.
  const habit = read?.kind === 'ask which' && read.byHabit ? sayReading(read.readings[0]) : null;
  return (
    <div className="grid grid-cols-2 max-md:grid-cols-1 gap-3">
      <TextField
        label="What is on the bottle"
        placeholder="Meadow dog wash"
        maxLength={80}
        value={form.name}
        onChange={(event) => set({ name: event.target.value })}
      />
      <TextField
        label="What its label says of mixing"
        placeholder="10:1, or ready to use"
        maxLength={200}
        value={form.label}
        hint={`As ${owner} reads it to you. A shampoo made for dogs; a medicated one goes by the vet’s word.`}
        onChange={(event) => set({ label: event.target.value, said: null })}
      />
      {read && (
        <div className="col-span-full" aria-live="polite">
          {read.kind === 'ready to use' && <p>Used as it is, never mixed.</p>}
          {read.kind === 'read' && <p>{read.reading.words}</p>}
          {(read.kind === 'unreadable' || read.kind === 'ask for the dilution') && (
            <p className="rounded-xl bg-watch-pale px-3 py-2">{read.why}</p>
          )}
          {read.kind === 'ask which' && (
            <div role="group" aria-label="Which is meant" className="flex flex-wrap gap-2">
              {read.readings.map((reading) => {
                const said = sayReading(reading);
                return (
                  <Choice
                    key={reading.words}
                    chosen={(form.said ?? habit)?.waterParts === said.waterParts}
                    onClick={() => set({ said })}
                    className="min-h-11!"
                  >
                    {reading.words}
                  </Choice>
                );
              })}
            </div>
          )}
        </div>
      )}
    </div>
  );
}

/** What was agreed in the spoons of a kitchen, and the small bottle to fill. */
function WhatItComesTo({ dogId, bath, home, business }: Omit<BathAgreedProps, 'owner'>) {
  const { told, toSettle, filling, agreed } = bath;
  if (told === null || agreed === null) return null;
  if (toSettle !== null)
    return (
      <p role="alert" className="mt-3 rounded-xl bg-watch-pale px-3 py-2 font-semibold">
        {toSettle} Until then the owner reads: “{told.kind === 'not now' && told.words}”
      </p>
    );
  if (told.kind === 'not now')
    return <p className="mt-3 rounded-xl bg-watch-pale px-3 py-2 font-semibold">{told.words}</p>;
  const card = home.tasks.find(({ how }) => how === 'bath at home')?.card;
  return (
    <div className="mt-3 flex flex-col gap-2">
      {filling && (
        <p className="flex flex-wrap items-center gap-3">
          <span>
            Fill <b>{showProduct(millilitres(filling.ml), business.units)}</b> of {told.product}{' '}
            {filling.bottle === null
              ? 'into several bottles'
              : `into a bottle of ${showProduct(millilitres(filling.bottle), business.units)}`}
            : {filling.baths === 1 ? 'one bath' : `${filling.baths} baths`} until the next visit.
          </span>
          <a
            href={`/api/dogs/${dogId}/home-bath/label.pdf`}
            target="_blank"
            rel="noreferrer"
            className={buttonClasses('plain', undefined)}
          >
            <Printer size={18} aria-hidden /> Label for it
          </a>
        </p>
      )}
      {card && (
        <details>
          <summary className="min-h-11 flex items-center font-semibold text-pond cursor-pointer">
            As the owner reads it
          </summary>
          <BathAtHome bath={told} card={card} words={home.words} />
        </details>
      )}
    </div>
  );
}
