import { Download } from 'lucide-react';
import { May } from '../../../parts/May';
import { Card } from '../../../ui/Card';
import { DownloadLink } from '../../../ui/DownloadLink';

const FILES = [
  ['dogs.csv', 'Owners and dogs', 'what an import reads back'],
  ['clients.vcf', 'Owners as vCards', 'for a telephone or an address book'],
  ['visits.csv', 'Visits', 'day, dog, how it closed'],
  ['findings.csv', 'Findings', 'place, sign, grade, level'],
  ['bookings.csv', 'Bookings', 'past and to come'],
  ['instructions.csv', 'Instructions', 'vets’ and owners’ words'],
  ['weights.csv', 'Weights', 'every weighing'],
  ['messages.csv', 'Messages', 'what was written to owners'],
  ['stock.csv', 'Stock', 'every line of the ledger'],
  ['mixes.csv', 'Mixes', 'what was mixed, what was thrown away'],
  ['product-use.csv', 'Product use', 'what each visit used, and its cost'],
] as const;

/** The whole book in open formats. */
export const ExportCard = () => (
  <Card title="Take the book with you" aside="open formats, any spreadsheet reads them">
    <ul className="divide-y divide-line">
      {FILES.map(([file, name, says]) => (
        <li key={file}>
          <a
            href={`/api/export/${file}`}
            download={file}
            className="flex items-center justify-between gap-3 py-2 min-h-12 hover:text-pond"
          >
            <span>
              <span className="font-semibold">{name}</span>
              <span className="block text-sm text-soft">{says}</span>
            </span>
            <span className="flex items-center gap-2 text-sm text-soft whitespace-nowrap">
              {file}
              <Download size={18} aria-hidden className="text-pond" />
            </span>
          </a>
        </li>
      ))}
    </ul>
  </Card>
);

/** The business in one file, to move to another installation, or to have it all. */
export const WholeHouseCard = () => (
  <May deed="move house">
    <Card title="The whole business in one file">
      <p className="mb-2">
        Every table, list, booking, picture and letter (.zip). Another installation of Dewpond takes it in; any
        spreadsheet, calendar or address book reads what is in it.
      </p>
      <p className="mb-3 text-soft">
        Keep it as you would keep the book: every client’s address is in it. No password is. It may take some minutes.
      </p>
      <DownloadLink href="/api/house/all.zip">Take everything out</DownloadLink>
    </Card>
  </May>
);
