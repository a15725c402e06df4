import type { OwnerPage } from '@dewpond/contract';
import { PrintedWeek } from '../../parts/homeCare/WeekPrint';

/** The week at home as it goes on paper: after the sheet when the whole page is printed, alone when it is asked for. */
export const WeekToPrint = ({ page: { business, dog, home } }: { readonly page: OwnerPage }) =>
  home.tasks.length === 0 ? null : (
    <div className="hidden print:block break-before-page">
      <PrintedWeek business={business} dog={dog} home={home} from={home.today} />
    </div>
  );
