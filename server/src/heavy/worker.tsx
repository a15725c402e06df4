import { planDay } from '@dewpond/core/dilution';
import { renderToBuffer } from '@react-pdf/renderer';
import type { ComponentProps } from 'react';
import { LabelDocument } from '../bench/LabelDocument';
import { registerFonts } from '../paper/fonts';
import { RecordDocument } from '../record/RecordDocument';
import { LetterDocument } from '../referrals/LetterDocument';
import { SheetDocument } from '../sheet/SheetDocument';
import { passed, toPass } from '@dewpond/core/threads';
import { asBuffer } from './bytes';

/** What takes long and needs no database: it runs beside the thread that serves. */
const WORK = {
  'plan day': (given: Parameters<typeof planDay>[0]) => planDay(given),
  sheet: (given: ComponentProps<typeof SheetDocument>) => draw(<SheetDocument {...given} />),
  letter: (given: ComponentProps<typeof LetterDocument>) => draw(<LetterDocument {...given} />),
  record: (given: ComponentProps<typeof RecordDocument>) => draw(<RecordDocument {...given} />),
  labels: (given: ComponentProps<typeof LabelDocument>) => draw(<LabelDocument {...given} />),
} as const;

export type Work = typeof WORK;
export type WorkKind = keyof Work;

function draw(document: Parameters<typeof renderToBuffer>[0]): Promise<Buffer> {
  registerFonts();
  return renderToBuffer(document);
}

/** Entered from the pool, with what {@link toPass} made of the question. */
export default async function work({ kind, given }: { kind: WorkKind; given: unknown }): Promise<unknown> {
  const does = WORK[kind] as (its: unknown) => unknown;
  return toPass(await does(passed(given, asBuffer)));
}
