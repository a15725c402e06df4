import type { DogView } from '@dewpond/contract';
import { PROGRAMMES, WENT, WENT_WORDS, progressOf, type ProgrammeKind, type Went } from '@dewpond/core/programme';
import { HOUSE_VALUE } from '@dewpond/core/provenance';

import { call } from '../../../api/call';
import { useWrite } from '../../../data/useWrite';
import { Button } from '../../../ui/Button';
import { Card } from '../../../ui/Card';
import { SourceMark } from '../../../ui/SourceMark';
import { tell } from '../../../ui/tell';
import { classes } from '../../../ui/classes';
import { showDay } from '../../../browser/times';

type Programme = NonNullable<DogView['programme']>;

/** Short lessons with one goal each, apart from full visits: where the dog stands, and what comes next. */
export function ProgrammeCard({ dog }: { readonly dog: DogView }) {
  const { programme } = dog;
  if (programme && programme.endedOn === null) return <Running dog={dog} programme={programme} />;
  const nervous = dog.profile.handling.minds.length >= 3 || dog.profile.pluckingStress === 'bad';
  if (!programme && dog.facts.lifeStage !== 'puppy' && !nervous) return null;
  return <Begin dog={dog} />;
}

function Begin({ dog }: { readonly dog: DogView }) {
  const begin = useWrite('POST /api/dogs/:id/programme', {
    write: (id, kind: ProgrammeKind) => call('POST /api/dogs/:id/programme', { id: dog.id, body: { id, kind } }),
    onSuccess: () => {
      tell('Lessons begin. The first goal is on the page.');
    },
    tells: true,
  });
  return (
    <Card title="Lessons" aside="short visits, one goal each">
      <p className="text-soft mb-3">
        {dog.programme ? 'The last programme has ended.' : 'A young or nervous dog learns the table in small steps.'}
      </p>
      <div className="flex flex-wrap gap-2">
        {(Object.keys(PROGRAMMES) as ProgrammeKind[]).map((kind) => (
          <Button key={kind} disabled={begin.isPending} onClick={() => begin.mutate(kind)}>
            Begin: {PROGRAMMES[kind].toLowerCase()}
          </Button>
        ))}
      </div>
    </Card>
  );
}

function Running({ dog, programme }: { readonly dog: DogView; readonly programme: Programme }) {
  const progress = progressOf(programme.kind, programme.lessons, programme.startedOn);
  const change = useWrite('PUT /api/programmes/:id', {
    write: (_, body: { ended: boolean; withoutLesson?: string; version?: number }) =>
      call('PUT /api/programmes/:id', { id: programme.id, body: { version: programme.version, ...body } }),
    tells: true,
  });
  const end = () =>
    change.mutate(
      { ended: true },
      {
        onSuccess: ({ version }) =>
          tell('The lessons end here.', { undo: () => change.mutate({ ended: false, version }) }),
      },
    );
  return (
    <Card
      title="Lessons"
      aside={`${PROGRAMMES[programme.kind].toLowerCase()}, ${progress.reached} of ${progress.goals.length} reached`}
    >
      <ol className="flex gap-1 mb-3" aria-label="Goals">
        {progress.goals.map((goal) => (
          <li
            key={goal.id}
            title={goal.goal}
            className={classes(
              'h-2.5 flex-1 rounded-full',
              goal.reached ? 'bg-reed' : goal.id === progress.next?.id ? 'bg-pond' : 'bg-line',
            )}
          >
            <span className="sr-only">
              {goal.goal}: {goal.reached ? 'reached' : `${goal.tries} tries`}
            </span>
          </li>
        ))}
      </ol>
      {progress.next ? (
        <>
          <p>
            <b>Next: {progress.next.goal}</b>, {progress.next.minutes} min, around{' '}
            {showDay(progress.nextOn ?? dog.today)}{' '}
            <SourceMark
              source={HOUSE_VALUE}
              because="A week after a lesson, two after one that was too much; then the goal before is practised again."
            />
          </p>
          <p className="text-[15px] text-soft mb-3">{progress.next.how}</p>
          <HowItWent
            programme={programme}
            goal={progress.next.id}
            onUndo={(withoutLesson, version) => change.mutate({ ended: false, withoutLesson, version })}
          />
        </>
      ) : (
        <p className="mb-3">Every goal is reached: ready for full visits.</p>
      )}
      <div className="flex justify-end mt-2">
        <Button look="quiet" disabled={change.isPending} onClick={end}>
          End the lessons
        </Button>
      </div>
    </Card>
  );
}

interface HowProps {
  readonly programme: Programme;
  readonly goal: string;
  readonly onUndo: (lessonId: string, version: number) => void;
}

/** One tap: how the lesson of today went. */
function HowItWent({ programme, goal, onUndo }: HowProps) {
  const write = useWrite('POST /api/programmes/:id/lessons', {
    write: async (id, went: Went) => ({
      ...(await call('POST /api/programmes/:id/lessons', { id: programme.id, body: { id, goal, went } })),
      id,
    }),
    onSuccess: ({ version, id }) => {
      tell('Written down.', { undo: () => onUndo(id, version) });
    },
    tells: true,
  });
  return (
    <div role="group" aria-label="How it went today" className="flex flex-col gap-1.5">
      {WENT.map((went) => (
        <Button
          key={went}
          look="quiet"
          className="justify-start! text-left min-h-12"
          disabled={write.isPending}
          onClick={() => write.mutate(went)}
        >
          {WENT_WORDS[went]}
        </Button>
      ))}
    </div>
  );
}
