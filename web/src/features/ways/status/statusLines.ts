import type { StatusView } from '@dewpond/contract';

/** One thing of the status, as one reads it. */
export interface StatusLine {
  readonly about: string;
  readonly says: string;
  readonly isWell: boolean;
  readonly todo?: string;
}

const DAY_MS = 86_400_000;
/** A job that waits longer has nobody who works it off. */
const LATE_MS = 10 * 60_000;
/** Clocks that differ by more put events of a visit and contact times in doubt. */
const CLOCK_MS = 2 * 60_000;

const megabytes = (bytes: number): string =>
  bytes < 1e9 ? `${Math.max(0.1, bytes / 1e6).toFixed(bytes < 1e7 ? 1 : 0)} MB` : `${(bytes / 1e9).toFixed(1)} GB`;

/** "4 minutes", "3 hours", "2 days". */
function span(ms: number): string {
  const minutes = Math.round(Math.abs(ms) / 60_000);
  const [n, word] =
    minutes < 90
      ? [minutes, 'minute']
      : minutes < 2880
        ? [Math.round(minutes / 60), 'hour']
        : [Math.round(minutes / 1440), 'day'];
  return `${n} ${word}${n === 1 ? '' : 's'}`;
}

/** The status in lines. `here` is this device's clock when it came, ms since 1970; `when` writes an instant. */
export function linesOf(status: StatusView, here: number, when: (instant: string) => string): StatusLine[] {
  return [
    backupLine(status, when),
    clockLine(Date.parse(status.now), here),
    ...(status.proxy === null ? [] : [{ about: 'Proxy', says: status.proxy, isWell: false }]),
    messagesLine(status.messages),
    queuesLine(status),
    { about: 'Database', says: `${megabytes(status.databaseBytes)}, answers`, isWell: true },
    { about: 'Running since', says: when(status.since), isWell: true },
  ];
}

function backupLine({ backup: { told, good, last }, now }: StatusView, when: (instant: string) => string): StatusLine {
  const about = 'Backup';
  if (!told && good === null) return { about, says: 'made elsewhere, as the settings say', isWell: true };
  const todo = 'npm run backup makes one; the timer in deploy/ makes one every night.';
  if (last !== null && !last.isOk)
    return { about, says: `The last try failed, ${when(last.at)}: ${last.words}`, isWell: false, todo };
  if (good === null) return { about, says: 'There is none yet.', isWell: false, todo };
  const age = Date.parse(now) - Date.parse(good.at);
  const says = `${when(good.at)}, ${megabytes(good.bytes)}, restored once and compared`;
  return age > 2 * DAY_MS
    ? { about, says: `${span(age)} old: ${says}`, isWell: false, todo }
    : { about, says, isWell: true };
}

function clockLine(server: number, here: number): StatusLine {
  const off = here - server;
  if (Math.abs(off) < CLOCK_MS) return { about: 'Clocks', says: 'server and this device agree', isWell: true };
  return {
    about: 'Clocks',
    says: `This device is ${span(off)} ${off > 0 ? 'ahead of' : 'behind'} the server.`,
    isWell: false,
    todo: 'Contact times run on the device. Let both set their clock by the network.',
  };
}

function messagesLine({ waiting, failed, unsure }: StatusView['messages']): StatusLine {
  const about = 'Messages to owners';
  if (failed + unsure === 0)
    return { about, says: waiting === 0 ? 'none waits' : `${waiting} on their way`, isWell: true };
  return {
    about,
    says: `${failed} not sent, ${unsure} unsure`,
    isWell: false,
    todo: 'Watch list, Outbox: each says why.',
  };
}

function queuesLine({ queues, now }: StatusView): StatusLine {
  const about = 'Work behind';
  const stuck = queues.filter(({ oldest }) => oldest !== null && Date.parse(now) - Date.parse(oldest) > LATE_MS);
  const failed = queues.reduce((sum, each) => sum + each.failed, 0);
  if (stuck.length > 0)
    return {
      about,
      says: `Nobody works off: ${stuck.map(({ queue }) => queue).join(', ')}.`,
      isWell: false,
      todo: 'Is a worker running? Its log says why not.',
    };
  const waiting = queues.reduce((sum, each) => sum + each.waiting, 0);
  return {
    about,
    says: `${waiting === 0 ? 'nothing waits' : `${waiting} wait`}${failed > 0 ? `, ${failed} given up lately` : ''}`,
    isWell: true,
  };
}
