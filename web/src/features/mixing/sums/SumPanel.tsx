import type { ReactNode } from 'react';
import { Card } from '../../../ui/Card';
import { MixingAnswer, Refusal } from './MixingAnswer';

interface SumPanelProps {
  /** What is typed in it. */
  readonly title: string;
  readonly fields: ReactNode;
  /** Why there is no answer: something is not typed yet, or it cannot be; null: there is one. */
  readonly refused: { readonly title: 'Not yet' | 'That cannot be'; readonly why: string } | null;
  readonly children: ReactNode;
}

/** A sum at the mixing bench: what is known on the one side, the answer on the other. */
export const SumPanel = ({ title, fields, refused, children }: SumPanelProps) => (
  <div className="grid grid-cols-[380px_1fr] max-lg:grid-cols-1 gap-3.5">
    <Card title={title}>
      <div className="grid grid-cols-2 gap-3">{fields}</div>
    </Card>
    {refused ? (
      <MixingAnswer title={refused.title}>
        <Refusal why={refused.why} />
      </MixingAnswer>
    ) : (
      children
    )}
  </div>
);
