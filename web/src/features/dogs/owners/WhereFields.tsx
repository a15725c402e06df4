import { TextField } from '../../../ui/Field';
import type { CardFieldsProps } from './ReachFields';

/** The address, where the van stops, and a note. */
export function WhereFields({ draft: { field, within } }: CardFieldsProps) {
  return (
    <div className="grid grid-cols-2 gap-4">
      <div className="col-span-2">
        <TextField label="Street" autoComplete="off" {...field('street', 'card.address.street')} />
      </div>
      <TextField label="Town" autoComplete="off" {...field('town', 'card.address.town')} />
      <TextField label="Postcode" autoComplete="off" {...field('postcode', 'card.address.postcode')} />
      <div className="col-span-2">
        <TextField
          label="Where the van stops"
          placeholder="50.1234, -4.5678"
          autoComplete="off"
          hint="latitude, longitude, as a map gives them"
          {...field('coordinates')}
          error={within('card.address.coordinates')}
        />
      </div>
      <div className="col-span-2">
        <TextField label="Note" placeholder="side gate, rings back after six" {...field('note', 'card.note')} />
      </div>
    </div>
  );
}
