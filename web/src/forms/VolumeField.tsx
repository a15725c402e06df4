import { VOLUME_UNIT, millilitres, volumeFrom, volumeIn } from '@dewpond/core/units';
import { useState, type ComponentProps } from 'react';
import { typedNumber } from './typedNumber';
import { useUnits } from '../data/useUnits';
import { TextField } from '../ui/Field';

interface VolumeProps extends Omit<ComponentProps<typeof TextField>, 'value' | 'onChange' | 'type' | 'label'> {
  /** Without the unit: it is added. */
  readonly label: string;
  /** Millilitres, whatever is shown. 0 while nothing sensible is typed. */
  readonly ml: number;
  readonly onMl: (ml: number) => void;
}

/** A volume typed and shown in the business's units; its value is always millilitres. */
export function VolumeField({ label, ml, onMl, ...rest }: VolumeProps) {
  const units = useUnits();
  const shown = String(volumeIn(millilitres(ml), units));
  const [typed, setTyped] = useState({ text: shown, ml, units });
  // Someone else set the volume, or the units changed: what was typed no longer stands.
  if (typed.ml !== ml || typed.units !== units) setTyped({ text: shown, ml, units });
  const type = (text: string) => {
    const value = typedNumber(text);
    const next = value >= 0 && Number.isFinite(value) ? volumeFrom(value, units) : 0;
    setTyped({ text, ml: next, units });
    onMl(next);
  };
  return (
    <TextField
      {...rest}
      label={`${label}, ${VOLUME_UNIT[units]}`}
      inputMode="decimal"
      value={typed.text}
      onChange={(event) => type(event.target.value)}
    />
  );
}
