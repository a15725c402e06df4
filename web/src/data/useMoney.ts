import { useBusiness } from './queries';

/** Money in the business's currency, as one reads it: "£12.40". Small sums keep a third place. */
export function useMoney(): (amount: number) => string {
  const currency = useBusiness().data?.currency ?? 'GBP';
  return (amount) =>
    new Intl.NumberFormat('en-GB', {
      style: 'currency',
      currency,
      maximumFractionDigits: Math.abs(amount) < 0.1 && amount !== 0 ? 3 : 2,
    }).format(amount);
}
