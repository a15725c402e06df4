import { showStrength, type Bottle, type Lead } from '@dewpond/core/dilution';
import { ML_PER_FLUID_OUNCE, VOLUME_UNIT, millilitres, showProduct, volumeFrom, volumeIn } from '@dewpond/core/units';
import { useUnits } from '../../../data/useUnits';
import { BottleDrawing } from '../../../drawings/BottleDrawing';
import { SelectField } from '../../../ui/SelectField';
import { DOGS_LIKE, type MixAnswer, type DogLike } from '@dewpond/core/mixing';
import { LeadField } from './LeadField';

interface PictureProps {
  readonly answer: MixAnswer;
  readonly bottle: Bottle;
  readonly lead: Lead;
  readonly onLead: (lead: Lead) => void;
  readonly strokeMl: number;
  readonly like: DogLike;
  readonly onLike: (like: DogLike) => void;
  /** Mix for one such dog, ml. */
  readonly each: number;
}

/** Of a volume; product is measured one digit finer. */
const DECIMALS = { metric: 1, US: 2 } as const;

/** Where a finger is the pointer, the focus would only bring up the keys and scroll the bottle away. */
const hasKeyboard = (): boolean => window.matchMedia('(pointer: fine)').matches;

/** The one picture: a bottle to scale, and every number at its place; any of them leads. */
export function LeadPicture({ answer, bottle, lead, onLead, strokeMl, like, onLike, each }: PictureProps) {
  const units = useUnits();
  const unit = VOLUME_UNIT[units];
  const { how } = answer;
  const inUnits = (ml: number) => volumeIn(millilitres(ml), units);
  /** A field rounds what it shows; product has one digit more than volumes are rounded to. */
  const exact = (ml: number) => (units === 'US' ? ml / ML_PER_FLUID_OUNCE : ml);
  const volume = (by: 'total' | 'product' | 'water', label: string, step: number, large = false) => (
    <LeadField
      label={label}
      unit={unit}
      large={large}
      decimals={DECIMALS[units] + (by === 'product' ? 1 : 0)}
      leads={lead.by === by}
      value={lead.by === by ? inUnits(lead.ml) : how && (by === 'product' ? exact(how.product) : inUnits(how[by]))}
      step={step}
      autoFocus={by === 'total' && hasKeyboard()}
      onLead={(typed) => onLead({ by, ml: typed > 0 ? volumeFrom(typed, units) : 0 })}
    />
  );
  const mark = units === 'US' ? 1 : (bottle.graduation ?? 50);
  const fine = units === 'US' ? 0.1 : 1;
  const strokes = how && how.by !== 'millilitres' ? how.strokes : null;
  const shown = answer.split?.[0]?.how ?? how;
  return (
    <div className="grid grid-cols-[auto_1fr] max-md:grid-cols-1 gap-5 items-stretch">
      <figure className="flex flex-col items-center">
        <BottleDrawing
          product={shown?.product ?? 0}
          water={shown?.water ?? 0}
          brim={(answer.split?.[0]?.bottle ?? bottle).brim}
          graduation={(answer.split?.[0]?.bottle ?? bottle).graduation}
          height={330}
          numbers={(ml) => String(Number(inUnits(ml).toFixed(1)))}
          label={how ? `${bottle.name} to scale, filled to the mark` : `${bottle.name}, empty`}
        />
        <figcaption className="text-sm text-soft text-center max-w-44">
          {answer.split ? `the first of ${answer.split.length}` : bottle.name}: dark is product, pale is water
        </figcaption>
      </figure>
      <div className="grid grid-cols-2 gap-2.5 content-start">
        <div className="col-span-2">{volume('total', 'Mix in all', mark, true)}</div>
        {volume('water', 'Warm water', mark)}
        {volume('product', 'Product', fine)}
        <LeadField
          label="Strokes"
          unit={strokeMl > 0 ? `of ${showProduct(millilitres(strokeMl), units)}` : 'no pump'}
          decimals={0}
          disabled={!(strokeMl > 0)}
          leads={lead.by === 'strokes'}
          value={lead.by === 'strokes' ? lead.strokes : strokes}
          step={1}
          onLead={(count) => onLead({ by: 'strokes', strokes: count })}
        />
        <LeadField
          label="Dogs"
          unit={`× ${inUnits(each)} ${unit}`}
          decimals={1}
          leads={lead.by === 'dogs'}
          value={lead.by === 'dogs' ? lead.dogs : how && how.total / each}
          step={1}
          onLead={(dogs) => onLead({ by: 'dogs', dogs, each })}
        />
        <div className="col-span-2">
          <SelectField
            label="Dogs like"
            value={like}
            onChange={(event) => onLike(event.target.value as DogLike)}
            hint="From skin area, coat and washes, without the reserve."
          >
            {(Object.keys(DOGS_LIKE) as DogLike[]).map((kind) => (
              <option key={kind} value={kind}>
                {kind}
              </option>
            ))}
          </SelectField>
        </div>
        {how && (
          <p className="col-span-2 text-soft">
            Label <b className="text-ink">{answer.strength && showStrength(answer.strength)}</b>, comes to{' '}
            <b className="text-ink">{showStrength(how.realised)}</b>
            {Math.abs(how.error) < 0.0005
              ? ': exactly the label.'
              : `: ${Math.abs(how.error * 100).toFixed(1)} % ${how.error > 0 ? 'stronger' : 'weaker'}.`}
          </p>
        )}
      </div>
    </div>
  );
}
