import type { BusinessView } from '@dewpond/contract';
import {
  exactParts,
  exactRange,
  showStrength,
  strengthOf,
  type LabelRange,
  type Lead,
  type RatioSaid,
} from '@dewpond/core/dilution';
import { mixOfDog, readRatio, type MixAnswer, type DogLike, type MixQuestion } from '@dewpond/core/mixing';
import { mostWaste } from '@dewpond/core/ways';
import { useMemo, useState } from 'react';
import { Card } from '../../../ui/Card';
import { TextField } from '../../../ui/Field';
import { SelectField } from '../../../ui/SelectField';
import { VolumeField } from '../../../forms/VolumeField';
import { OneOf } from '../../../ui/OneOf';
import { freeBottles } from '../../../parts/mixing/bottles';
import { LeadPicture } from './LeadPicture';
import { MixOrder } from './MixOrder';
import { WriteDownMix } from './WriteDownMix';
import { ratioHint } from './ratioHint';
import { Readings } from './Readings';
import { SplitOver } from './SplitOver';
import { useReckoned } from './useReckoned';
import { useUnits } from '../../../data/useUnits';

/** What one types of a fresh batch, and what it comes to. */
type FreshMix = NonNullable<ReturnType<typeof useFreshMix>>;

/** A fresh batch: product, ratio and bottle at the left; the picture at the right, where any one number leads. */
export function MixFresh({ business }: { readonly business: BusinessView }) {
  const fresh = useFreshMix(business);
  if (!fresh) return null;
  return (
    <div className="grid grid-cols-[340px_1fr] max-lg:grid-cols-1 gap-3.5 items-start">
      <WhatGoesIn business={business} fresh={fresh} />
      {fresh.answer.label.kind === 'ready to use' ? (
        <Card title="Ready to use">Never diluted: use it as it is.</Card>
      ) : (
        <FreshResult fresh={fresh} />
      )}
    </div>
  );
}

/** Null while there is no bottle, or nothing was reckoned yet. */
function useFreshMix(business: BusinessView) {
  const units = useUnits();
  const bottles = useMemo(() => freeBottles(business.bottles), [business.bottles]);
  const [productId, setProductId] = useState(business.products.find((each) => each.strength !== null)?.id ?? '');
  const product = business.products.find((each) => each.id === productId);
  const [label, setLabel] = useState(product?.label ?? '50:1');
  const [said, setSaid] = useState<RatioSaid | null>(() => savedReadingOf(product));
  const [bottleId, setBottleId] = useState(bottles[1]?.bottle.id ?? bottles[0]?.bottle.id ?? '');
  const bottle = (bottles.find((each) => each.bottle.id === bottleId) ?? bottles[0])?.bottle;
  const [lead, setLead] = useState<Lead>({ by: 'total', ml: 500 });
  const [stroke, setStroke] = useState(product?.strokeMl ?? 0);
  const [like, setLike] = useState<DogLike>('middle, half-length, 15 kg');
  const each = mixOfDog(like, business.ways.washes === 'two' ? 2 : 1);
  const medicated = product?.kind === 'medicated';
  const question = useMemo<MixQuestion | null>(
    () =>
      bottle
        ? {
            label,
            medicated,
            oneToN: business.ways.readsOneTo,
            said,
            lead,
            stroke,
            bottle,
            bottles,
            units,
            mostWaste: mostWaste(business.ways),
          }
        : null,
    [label, medicated, business.ways, said, lead, stroke, bottle, bottles, units],
  );
  const { answer, isNow } = useReckoned(question);
  if (!bottle || !answer) return null;
  const misread = answer.label.kind === 'unreadable' ? answer.label.why : undefined;
  const choose = (id: string) => {
    const next = business.products.find((one) => one.id === id);
    setProductId(id);
    if (!next) return;
    setLabel(next.label);
    setStroke(next.strokeMl ?? 0);
    setSaid(savedReadingOf(next));
  };
  const changeLike = (next: DogLike) => {
    setLike(next);
    if (lead.by === 'dogs') setLead({ ...lead, each: mixOfDog(next, business.ways.washes === 'two' ? 2 : 1) });
  };
  const type = (text: string) => {
    setLabel(text);
    // What was saved belongs to the product's own label.
    setSaid(text === product?.label ? savedReadingOf(product) : null);
  };
  return {
    units,
    product,
    label,
    bottle,
    bottles,
    lead,
    stroke,
    like,
    each,
    medicated,
    answer,
    isNow,
    misread,
    choose,
    type,
    setSaid,
    setBottleId,
    setLead,
    setStroke,
    changeLike,
  };
}

interface WhatGoesInProps {
  readonly business: BusinessView;
  readonly fresh: FreshMix;
}

/** Product, ratio, what the label leaves open, bottle and stroke. */
function WhatGoesIn({ business, fresh }: WhatGoesInProps) {
  const { units, product, label, bottle, bottles, stroke, medicated, answer, misread } = fresh;
  const { choose, type, setSaid, setBottleId, setStroke } = fresh;
  return (
    <Card title="What goes in">
      <div className="grid grid-cols-2 gap-3">
        <div className="col-span-2">
          <SelectField label="Product" value={product?.id ?? ''} onChange={(event) => choose(event.target.value)}>
            {business.products.map((one) => (
              <option key={one.id} value={one.id}>
                {one.name}
              </option>
            ))}
          </SelectField>
        </div>
        <div className="col-span-2">
          <TextField
            label="Ratio, as printed on the label"
            value={label}
            onChange={(event) => type(event.target.value)}
            error={misread}
            hint={ratioHint(units, medicated, answer.label)}
          />
        </div>
        <Readings answer={answer} onSay={setSaid} />
        {answer.label.kind === 'ask for the dilution' && (
          <div className="col-span-2">
            <DilutionField
              key={product?.id}
              saved={answer.strength && showStrength(answer.strength)}
              oneToN={business.ways.readsOneTo}
              onSay={setSaid}
            />
          </div>
        )}
        {answer.range && (
          <Purposes
            purposes={product?.label === label ? product.purposes : []}
            range={answer.range}
            chosen={answer.strength}
            onSay={setSaid}
          />
        )}
        <div className="col-span-2">
          <SelectField label="Bottle" value={bottle.id} onChange={(event) => setBottleId(event.target.value)}>
            {bottles.map(({ bottle: one }) => (
              <option key={one.id} value={one.id}>
                {one.name}
              </option>
            ))}
          </SelectField>
        </div>
        <div className="col-span-2">
          <VolumeField
            label="One stroke of its pump"
            ml={stroke}
            onMl={setStroke}
            hint={stroke > 0 ? 'From ten strokes, see Bottles and pumps.' : 'Not calibrated: measure the product.'}
          />
        </div>
      </div>
    </Card>
  );
}

/** The picture in which any number leads, how it is measured, and the tap that writes it down. */
function FreshResult({ fresh }: { readonly fresh: FreshMix }) {
  const { product, bottle, lead, stroke, like, each, answer, isNow, misread, setLead, changeLike } = fresh;
  return (
    <Card title={`${product?.name ?? 'Mix'}, any number leads`}>
      <LeadPicture
        answer={answer}
        bottle={bottle}
        lead={lead}
        onLead={setLead}
        strokeMl={stroke}
        like={like}
        onLike={changeLike}
        each={each}
      />
      {answer.problem && !misread && (
        <p role="alert" className="mt-3 rounded-xl bg-watch-pale text-watch font-semibold px-4 py-2">
          {answer.problem}
        </p>
      )}
      {answer.split && <SplitOver split={answer.split} strokeMl={stroke} />}
      {answer.how && !answer.split && (
        <MixOrder
          answer={answer}
          how={answer.how}
          strokeMl={stroke}
          onTidy={(total) => setLead({ by: 'total', ml: total })}
        />
      )}
      {answer.how && !answer.split && answer.strength && product && (
        <WriteDownMix product={product} strength={answer.strength} how={answer.how} bottle={bottle} isNow={isNow} />
      )}
    </Card>
  );
}

/** How a product's label was read when it was entered. */
const savedReadingOf = (product: BusinessView['products'][number] | undefined): RatioSaid | null =>
  product && product.waterParts !== null ? { waterParts: product.waterParts, range: product.range } : null;

interface DilutionProps {
  /** As saved with the product, shown only: what is not typed over stays exact. */
  readonly saved: string | null;
  readonly oneToN: BusinessView['ways']['readsOneTo'];
  readonly onSay: (said: RatioSaid | null) => void;
}

/** A label that gives no dilution, "2 %" of a medicated product: a person says it. */
function DilutionField({ saved, oneToN, onSay }: DilutionProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const read = typed === null ? null : readRatio(typed, { medicated: false, oneToN });
  return (
    <TextField
      label="Diluted to, by label or vet"
      placeholder="9:1"
      value={typed ?? saved ?? ''}
      error={read?.kind === 'no answer' ? read.why : undefined}
      onChange={(event) => {
        setTyped(event.target.value);
        const next = readRatio(event.target.value, { medicated: false, oneToN });
        onSay(next.kind === 'answer' ? { waterParts: exactParts(next.strength), range: null } : null);
      }}
    />
  );
}

interface PurposesProps {
  readonly purposes: BusinessView['products'][number]['purposes'];
  readonly range: LabelRange;
  readonly chosen: MixAnswer['strength'];
  readonly onSay: (said: RatioSaid) => void;
}

/** A label that gives a range: its purposes, else its two ends. */
function Purposes({ purposes, range, chosen, onSay }: PurposesProps) {
  const ends = exactRange(range);
  const list =
    purposes.length > 0
      ? purposes
      : [
          { purpose: 'strongest', waterParts: ends.strongest },
          { purpose: 'gentlest', waterParts: ends.weakest },
        ];
  const taken = list.find(({ waterParts }) => chosen?.water.equals(strengthOf(waterParts).water));
  return (
    <OneOf
      label="For what"
      className="col-span-2 flex flex-wrap gap-2"
      card="px-3 py-1.5 text-sm leading-snug min-h-11"
      chosen={taken?.purpose ?? null}
      onChoose={(purpose) => {
        const waterParts = list.find((each) => each.purpose === purpose)?.waterParts;
        if (waterParts !== undefined) onSay({ waterParts, range: ends });
      }}
      options={list.map(({ purpose, waterParts }) => ({
        key: purpose,
        shows: (
          <>
            <b className="block text-base">{showStrength(strengthOf(waterParts))}</b>
            {purpose}
          </>
        ),
      }))}
    />
  );
}
