import { useDogMix } from '../../../data/queries';
import { Card } from '../../../ui/Card';
import { MixPicture } from './MixPicture';

/** What this dog's next bath takes, bottle to scale, with the working. */
export function DogMix({ dogId }: { readonly dogId: string }) {
  const { data } = useDogMix(dogId);
  return (
    <Card title="Mix for a bath">
      {data?.mixes.length === 0 && <p className="text-soft">No bath in the plan, or no wash in the business.</p>}
      <div className="flex flex-col gap-5">
        {data?.mixes.map((view) => (
          <MixPicture key={view.product.id} view={view} />
        ))}
      </div>
    </Card>
  );
}
