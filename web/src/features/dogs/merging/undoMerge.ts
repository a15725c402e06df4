import { call } from '../../../api/call';
import { makeStale } from '../../../data/stale';
import { tell } from '../../../ui/tell';

/** Takes a merge apart, and says so, or why not. */
export async function undoMerge(id: string): Promise<void> {
  try {
    await call('POST /api/merges/:id/undo', { id, body: {} });
    await makeStale(['POST /api/merges/:id/undo']);
    tell('They are two again.');
  } catch (error) {
    tell(error instanceof Error ? error.message : 'That could not be taken back.', { tone: 'stop' });
  }
}
