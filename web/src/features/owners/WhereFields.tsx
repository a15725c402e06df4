import { TextField } from '../../ui/Field';
import type { CardFieldsProps } from './ReachFields';

/** The address, where the van stops, and a note. */
export function WhereFields({ card, set, at }: CardFieldsProps) {
  return (
    <div className="grid grid-cols-2 gap-4">
      <div className="col-span-2">
        <TextField
          label="Street"
          autoComplete="off"
          value={card.street}
          error={at('address.street')}
          onChange={(event) => set({ street: event.target.value })}
        />
      </div>
      <TextField
        label="Town"
        autoComplete="off"
        value={card.town}
        error={at('address.town')}
        onChange={(event) => set({ town: event.target.value })}
      />
      <TextField
        label="Postcode"
        autoComplete="off"
        value={card.postcode}
        error={at('address.postcode')}
        onChange={(event) => set({ postcode: event.target.value })}
      />
      <div className="col-span-2">
        <TextField
          label="Where the van stops"
          placeholder="50.1234, -4.5678"
          autoComplete="off"
          hint="latitude, longitude, as a map gives them"
          value={card.coordinates}
          error={at('address.coordinates.latitude') ?? at('address.coordinates.longitude') ?? at('address.coordinates')}
          onChange={(event) => set({ coordinates: event.target.value })}
        />
      </div>
      <div className="col-span-2">
        <TextField
          label="Note"
          placeholder="side gate, rings back after six"
          value={card.note}
          error={at('note')}
          onChange={(event) => set({ note: event.target.value })}
        />
      </div>
    </div>
  );
}
