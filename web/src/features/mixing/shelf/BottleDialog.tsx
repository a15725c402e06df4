import { bottleFields, type BottleView } from '@dewpond/contract';
import { millilitres, showVolume } from '@dewpond/core/units';
import { call } from '../../../api/call';
import { useWrite } from '../../../data/useWrite';
import { makeStale } from '../../../data/stale';
import { useDraft } from '../../../forms/useDraft';
import { typedNumber } from '../../../forms/typedNumber';
import { useUnits } from '../../../data/useUnits';
import { BottleDrawing } from '../../../drawings/BottleDrawing';
import { Button } from '../../../ui/Button';
import { Conflict } from '../../../forms/Conflict';
import { Dialog } from '../../../ui/Dialog';
import { TextField } from '../../../ui/Field';
import { FormFoot } from '../../../forms/FormFoot';
import { VolumeField } from '../../../forms/VolumeField';
import { tell } from '../../../ui/tell';

interface BottleDialogProps {
  /** Null: a new one. */
  readonly bottle: BottleView | null;
  readonly onClose: () => void;
}

interface BottleForm {
  readonly name: string;
  readonly line: number;
  readonly brim: number;
  readonly graduation: number;
  readonly count: string;
}
const BOTTLE_FIELDS: Readonly<Record<keyof BottleForm, string>> = {
  name: 'Name',
  line: 'To its line',
  brim: 'To the brim',
  graduation: 'A mark every',
  count: 'How many',
};
const formOf = (bottle: BottleView | null): BottleForm => ({
  name: bottle?.name ?? '',
  brim: bottle?.brim ?? 550,
  line: bottle?.line ?? 500,
  graduation: bottle ? (bottle.graduation ?? 0) : 50,
  count: String(bottle?.count ?? 1),
});

const bodyOf = ({ graduation, count, ...form }: BottleForm) => ({
  ...form,
  graduation: graduation > 0 ? graduation : null,
  count: typedNumber(count),
});

/** A kind of bottle: what it holds to the brim and to its line, what marks one can read, how many there are. */
export function BottleDialog({ bottle, onClose }: BottleDialogProps) {
  const units = useUnits();
  const draft = useDraft({ version: bottle?.version ?? 0, form: formOf(bottle) }, { as: bodyOf, fits: bottleFields });
  const { form, set, at } = draft;
  const save = useWrite(['POST /api/bottles', 'PUT /api/bottles/:id'], {
    form: draft,
    write: async (id, shape: ReturnType<typeof bodyOf>) => {
      await (bottle
        ? call('PUT /api/bottles/:id', { id: bottle.id, body: { ...shape, version: draft.version } })
        : call('POST /api/bottles', { body: { ...shape, id } }));
    },
    onSuccess: () => {
      tell(`${form.name} is kept.`);
      onClose();
    },
  });
  const away = useWrite('PUT /api/bottles/:id/shelf', {
    write: () =>
      call('PUT /api/bottles/:id/shelf', {
        id: bottle?.id ?? '',
        body: { version: bottle?.version ?? 1, archived: true },
      }),
    onSuccess: () => {
      tell(`${form.name} is archived.`, {
        undo: () =>
          void call('PUT /api/bottles/:id/shelf', {
            id: bottle?.id ?? '',
            body: { version: (bottle?.version ?? 1) + 1, archived: false },
          }).then(() => makeStale(['PUT /api/bottles/:id/shelf'])),
      });
      onClose();
    },
    tells: true,
  });
  const drawn = form.brim > 0 && form.line > 0 && form.line <= form.brim;
  return (
    <Dialog open onClose={onClose} title={bottle ? bottle.name : 'New bottle'}>
      <form
        onSubmit={draft.submit((shape) => save.mutate(shape))}
        noValidate
        className="grid grid-cols-[1fr_auto] gap-4"
      >
        <div className="col-span-2 empty:hidden">
          <Conflict
            draft={draft}
            what="this bottle"
            names={BOTTLE_FIELDS}
            show={(field, of) => {
              const value = of[field];
              return typeof value === 'string' ? value : showVolume(millilitres(value), units);
            }}
          />
        </div>
        <div className="grid grid-cols-2 gap-3 content-start">
          <div className="col-span-2">
            <TextField label="Name" autoComplete="off" {...draft.field('name')} />
          </div>
          <VolumeField label="To its line" ml={form.line} onMl={(line) => set({ line })} error={at('line')} />
          <VolumeField label="To the brim" ml={form.brim} onMl={(brim) => set({ brim })} error={at('brim')} />
          <VolumeField
            label="A mark every"
            ml={form.graduation}
            onMl={(graduation) => set({ graduation })}
            error={at('graduation')}
            hint="0: no marks one can read"
          />
          <TextField label="How many" inputMode="numeric" {...draft.field('count')} />
        </div>
        {drawn && (
          <BottleDrawing
            product={0}
            water={form.line}
            brim={form.brim}
            graduation={form.graduation > 0 ? form.graduation : null}
            height={210}
            label="As it is filled, to scale"
          />
        )}
        <FormFoot draft={draft} disabled={save.isPending}>
          {bottle && (
            <Button look="quiet" disabled={away.isPending} onClick={() => away.mutate()}>
              Archive
            </Button>
          )}
        </FormFoot>
      </form>
    </Dialog>
  );
}
