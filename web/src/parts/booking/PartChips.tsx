import { ALL_PARTS, VISIT_PARTS, type VisitPart } from '@dewpond/core/steps';
import { Choice } from '../../ui/Choice';

interface PartChipsProps {
  readonly parts: readonly VisitPart[];
  readonly onChange: (parts: readonly VisitPart[]) => void;
}

/** What a visit contains, part by part, in the order of the work. */
export const PartChips = ({ parts, onChange }: PartChipsProps) => (
  <div role="group" aria-label="What is in it" className="flex flex-wrap gap-2">
    {ALL_PARTS.map((part) => {
      const isIn = parts.includes(part);
      return (
        <Choice
          key={part}
          chosen={isIn}
          className="min-h-11!"
          onClick={() => onChange(ALL_PARTS.filter((each) => (each === part ? !isIn : parts.includes(each))))}
        >
          {VISIT_PARTS[part].name}
        </Choice>
      );
    })}
  </div>
);
