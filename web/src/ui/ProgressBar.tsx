import { Progress } from 'radix-ui';

interface ProgressBarProps {
  /** What is worked at: "Planning". */
  readonly label: string;
  /** 0 to 1. */
  readonly value: number;
}

/** How far long work has come. */
export const ProgressBar = ({ label, value }: ProgressBarProps) => (
  <Progress.Root
    aria-label={label}
    value={Math.round(100 * value)}
    className="h-3 w-40 overflow-hidden rounded-full border border-line bg-surface"
  >
    <Progress.Indicator
      className="h-full rounded-full bg-pond transition-[width]"
      style={{ width: `${Math.round(100 * value)}%` }}
    />
  </Progress.Root>
);
