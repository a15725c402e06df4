import { pumpFields, type PumpView } from '@dewpond/contract';
import { CALIBRATION_STROKES, MOST_SCATTER, calibratePump, type Calibration } from '@dewpond/core/dilution';
import { HOUSE_VALUE } from '@dewpond/core/provenance';
import { VOLUME_UNIT, millilitres, showProduct, showVolume, volumeFrom } from '@dewpond/core/units';
import { call } from '../../../api/call';
import { useWrite } from '../../../data/useWrite';
import { useDraft } from '../../../forms/useDraft';
import { useUnits } from '../../../data/useUnits';
import { Button } from '../../../ui/Button';
import { Conflict } from '../../../forms/Conflict';
import { Dialog } from '../../../ui/Dialog';
import { TextField } from '../../../ui/Field';
import { SelectField } from '../../../ui/SelectField';
import { FormFoot } from '../../../forms/FormFoot';
import { SourceMark } from '../../../ui/SourceMark';
import { tell } from '../../../ui/tell';
import { StrokeDots } from './StrokeDots';
import { HOW_MEASURED, strokesTyped, type HowMeasured } from './strokesTyped';

interface PumpDialogProps {
  /** Null: a new one. */
  readonly pump: PumpView | null;
  readonly onClose: () => void;
}

interface PumpForm {
  readonly name: string;
  readonly how: HowMeasured;
  /** Of each stroke, as typed. */
  readonly strokes: readonly string[];
}
const PUMP_FIELDS = { name: 'Name', how: 'How measured', strokes: 'Ten strokes' } as const;
const formOf = (pump: PumpView | null): PumpForm => ({
  name: pump?.name ?? '',
  how: 'grams each',
  strokes: Array.from({ length: CALIBRATION_STROKES }, () => ''),
});

/** A pump and its calibration: ten strokes, weighed or measured, their spread in sight while one types. */
export function PumpDialog({ pump, onClose }: PumpDialogProps) {
  const units = useUnits();
  const draft = useDraft(
    { version: pump?.version ?? 0, form: formOf(pump) },
    { as: ({ name }) => ({ name }), fits: pumpFields },
  );
  const { name, how, strokes: typed } = draft.form;
  const any = typed.some((each) => each.trim() !== '');
  const strokes = strokesTyped(typed, how, (value) => volumeFrom(value, units));
  const made = strokes.kind === 'strokes' ? calibratePump(strokes.strokes) : null;
  const save = useWrite(['POST /api/pumps', 'PUT /api/pumps/:id', 'PUT /api/pumps/:id/calibration'], {
    form: draft,
    write: async (id) => {
      const its = pump?.id ?? id;
      if (!pump) await call('POST /api/pumps', { body: { id, name } });
      else if (pump.name !== name)
        await call('PUT /api/pumps/:id', { id: its, body: { version: draft.version, name } });
      const version = pump ? draft.version + (pump.name === name ? 0 : 1) : 1;
      if (made?.kind === 'calibrated' && strokes.kind === 'strokes')
        await call('PUT /api/pumps/:id/calibration', { id: its, body: { version, strokes: [...strokes.strokes] } });
    },
    onSuccess: () => {
      tell(`${name} is kept.`);
      onClose();
    },
  });
  const away = useWrite('PUT /api/pumps/:id/shelf', {
    write: () =>
      call('PUT /api/pumps/:id/shelf', { id: pump?.id ?? '', body: { version: pump?.version ?? 1, archived: true } }),
    onSuccess: () => {
      tell(`${name} is archived.`);
      onClose();
    },
    tells: true,
  });
  const unit = how.startsWith('grams') ? 'g' : VOLUME_UNIT[units];
  return (
    <Dialog open onClose={onClose} title={pump ? pump.name : 'New pump'}>
      <form onSubmit={draft.submit(() => save.mutate())} noValidate className="flex flex-col gap-4">
        <Conflict draft={draft} what="this pump" names={PUMP_FIELDS} show={(_, of) => of.name} />
        <TextField label="Name" placeholder="green pump" autoComplete="off" {...draft.field('name')} />
        <div>
          <SelectField label="Ten strokes" {...draft.field('how')}>
            {Object.entries(HOW_MEASURED).map(([key, words]) => (
              <option key={key} value={key}>
                {words}
              </option>
            ))}
          </SelectField>
          <div className="grid grid-cols-5 gap-2 mt-2">
            {typed.map((text, i) => (
              <TextField
                key={`stroke ${i}`}
                label={`${i + 1}, ${unit}`}
                inputMode="decimal"
                autoComplete="off"
                value={text}
                onChange={({ target }) =>
                  draft.set({ strokes: typed.map((each, at) => (at === i ? target.value : each)) })
                }
              />
            ))}
          </div>
          <p className="text-sm text-soft mt-1">
            Prime it first, press it fully down each time. A scale that shows tenths of a gram is best.
          </p>
        </div>
        {any && strokes.kind === 'no strokes' && <p className="text-watch font-semibold">{strokes.why}</p>}
        {any && made && <Spread made={made} strokes={strokes.kind === 'strokes' ? strokes.strokes : []} />}
        <FormFoot
          draft={draft}
          disabled={save.isPending || (any && made?.kind !== 'calibrated')}
          does={
            made?.kind === 'calibrated'
              ? `Keep, ${showProduct(made.stroke, units)} a stroke`
              : any
                ? 'Ten strokes first'
                : 'Keep'
          }
        >
          {pump && (
            <Button look="quiet" disabled={away.isPending} onClick={() => away.mutate()}>
              Archive
            </Button>
          )}
        </FormFoot>
      </form>
    </Dialog>
  );
}

function Spread({ made, strokes }: { readonly made: Calibration; readonly strokes: readonly number[] }) {
  const units = useUnits();
  const show = (ml: number) => showVolume(millilitres(ml), units);
  const spread = made.kind === 'calibrated' ? made : made.spread;
  return (
    <div>
      <StrokeDots strokes={strokes} />
      {spread && (
        <p>
          <b>{show(spread.stroke)} a stroke</b>, from {show(spread.least)} to {show(spread.most)}, scatters{' '}
          {(spread.scatter * 100).toFixed(1)} %{' '}
          <SourceMark
            source={HOUSE_VALUE}
            because={`Standard deviation of the strokes over their mean; over ${MOST_SCATTER * 100} % is refused.`}
          />
        </p>
      )}
      {made.kind === 'refused' && (
        <p role="alert" className="text-stop font-semibold">
          {made.why}
        </p>
      )}
    </div>
  );
}
