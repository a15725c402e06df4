import { dogInWeeks, planInTime, type PlanAnswer } from '@dewpond/core/bookings';
import { makePlan } from '@dewpond/core/careplan';
import { planDay } from '@dewpond/core/dilution';
import { passed, toPass } from '@dewpond/core/threads';
import { PLAN_WEEKS } from './features/ahead/planWork';
import { HomeLabelDocument } from './features/homeBath/HomeLabelDocument';
import { HOME_LABEL_PDF } from './features/homeBath/homeLabelPdf';
import { LabelDocument } from './features/mixing/LabelDocument';
import { LABELS_PDF } from './features/mixing/labelsPdf';
import { RECORD_PDF } from './features/record/recordPdf';
import { RecordDocument } from './features/record/RecordDocument';
import { draw, drawOnOnePage } from './platform/pdf/draw';
import { asBuffer } from './platform/threads/bytes';
import { doing } from './platform/threads/work';
import { DAY_PLAN } from './records/mixing/dayPlanWork';
import { LetterDocument } from './records/documents/LetterDocument';
import { LETTER_PDF, SHEET_PDF } from './records/documents/pdfs';
import { SheetDocument } from './records/documents/SheetDocument';
import { IN_WEEKS } from './records/weeks/inWeeks';

/** What runs beside the thread that serves. */
const WORK = [
  doing(DAY_PLAN, planDay),
  doing(IN_WEEKS, (dogs) => dogs.map((dog) => dog && dogInWeeks({ ...dog, plan: makePlan(dog.facts) }))),
  doing(PLAN_WEEKS, (question) => {
    let best: PlanAnswer | null = null;
    planInTime(
      question,
      () => performance.now(),
      (answer) => {
        best = answer;
      },
    );
    return best;
  }),
  doing(SHEET_PDF, (given) => drawOnOnePage((fontSize) => <SheetDocument {...given} fontSize={fontSize} />)),
  doing(LETTER_PDF, (given) => draw(<LetterDocument {...given} />)),
  doing(RECORD_PDF, (given) => draw(<RecordDocument {...given} />)),
  doing(LABELS_PDF, (given) => draw(<LabelDocument {...given} />)),
  doing(HOME_LABEL_PDF, (given) => draw(<HomeLabelDocument {...given} />)),
];

/** Entered from the pool, with what {@link toPass} made of the question. */
export default async function work({ name, given }: { name: string; given: unknown }): Promise<unknown> {
  const known = WORK.find((each) => each.name === name);
  if (!known) throw new Error(`No thread knows how to do "${name}".`);
  return toPass(await known.does(passed(given, asBuffer)));
}
