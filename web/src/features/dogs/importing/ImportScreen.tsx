import { useState } from 'react';
import { May } from '../../../parts/May';
import { Card } from '../../../ui/Card';
import { BookTabs } from '../BookTabs';
import { BookingsCard } from './BookingsCard';
import { ChooseFile } from './ChooseFile';
import { ExportCard, WholeHouseCard } from './ExportCard';
import { ImportRuns } from './ImportRuns';
import { ReviewRows } from './ReviewRows';
import type { ChosenFile } from './readFile';
import { useImportReader } from './useImportReader';

/** Lists in and out: choose a file, say what its columns hold, look at every row, then bring it in. */
export function ImportScreen() {
  const reader = useImportReader();
  const [file, setFile] = useState<ChosenFile | null>(null);
  return (
    <div className="px-7 py-5 max-md:px-3 flex flex-col gap-4">
      <h1>Import, export</h1>
      <BookTabs />
      {file ? (
        <ReviewRows key={file.name} file={file} reader={reader} onDone={() => setFile(null)} />
      ) : (
        <div className="grid grid-cols-[1fr_400px] max-lg:grid-cols-1 gap-3.5 items-start">
          <div className="flex flex-col gap-3.5">
            <May deed="import" says>
              <Card title="Bring in a list">
                <ChooseFile reader={reader} onOpened={setFile} />
              </Card>
            </May>
            <May deed="book">
              <BookingsCard />
            </May>
            <May deed="import">
              <ImportRuns />
            </May>
            <WholeHouseCard />
          </div>
          <May deed="export" says>
            <ExportCard />
          </May>
        </div>
      )}
    </div>
  );
}
