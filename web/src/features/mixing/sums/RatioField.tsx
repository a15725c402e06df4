import type { BusinessView } from '@dewpond/contract';
import { readRatio } from '@dewpond/core/mixing';
import { useState } from 'react';
import { TextField } from '../../../ui/Field';

/** A ratio as it is typed, and what this business takes it for. */
export function useRatio(start: string, { ways }: BusinessView) {
  const [text, setText] = useState(start);
  return { text, setText, read: readRatio(text, { medicated: false, oneToN: ways.readsOneTo }) };
}

interface RatioFieldProps {
  readonly label: string;
  readonly hint?: string;
  readonly ratio: ReturnType<typeof useRatio>;
}

export const RatioField = ({ label, hint, ratio: { text, setText, read } }: RatioFieldProps) => (
  <TextField
    label={label}
    value={text}
    onChange={(event) => setText(event.target.value)}
    error={read.kind === 'no answer' ? read.why : undefined}
    hint={hint}
  />
);
