import { useQuery } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { z } from 'zod';
import { call } from '../../../api/call';
import { useWrite } from '../../../data/useWrite';
import { fresh, useDraft } from '../../../forms/useDraft';
import { Button } from '../../../ui/Button';
import { Dialog } from '../../../ui/Dialog';
import { TextField } from '../../../ui/Field';
import { Waiting } from '../../../ui/Waiting';
import { tell } from '../../../ui/tell';

/** What is erased and what stays is shown first; the name is typed, since nothing brings it back. */
export function EraseDialog({ clientId, onClose }: { readonly clientId: string; readonly onClose: () => void }) {
  const preview = useQuery({
    queryKey: ['erasure', clientId],
    queryFn: () => call('GET /api/clients/:id/erasure', { id: clientId }),
    staleTime: 0,
  });
  const draft = useDraft(fresh({ name: '' }), { as: (form) => form, fits: z.object({ name: z.string() }) });
  const { name } = draft.form;
  const navigate = useNavigate();
  const erase = useWrite('POST /api/clients/:id/erasure', {
    form: draft,
    write: () => call('POST /api/clients/:id/erasure', { id: clientId, body: { name } }),
    onSuccess: async () => {
      tell('Erased.');
      await navigate('/owners');
    },
  });
  return (
    <Dialog open onClose={onClose} title="Erase this client" says="On the client’s wish. It cannot be undone.">
      <Waiting query={preview} what="What would be erased">
        {(its) => (
          <form className="flex flex-col gap-4" noValidate onSubmit={draft.submit(() => erase.mutate())}>
            <Words title="Erased for good" words={its.erases} />
            <Words title="Kept, without a name" words={its.keeps} />
            {its.refused !== null ? (
              <p role="alert" className="rounded-xl bg-watch-pale text-watch font-semibold px-4 py-3">
                {its.refused}
              </p>
            ) : (
              <>
                <TextField
                  label={`Type the name: ${its.name}`}
                  {...draft.field('name')}
                  error={draft.at('name') ?? draft.refusal}
                />
                <Button type="submit" look="stop" disabled={name.trim() !== its.name || erase.isPending}>
                  {erase.isPending ? 'Erasing…' : 'Erase for good'}
                </Button>
              </>
            )}
          </form>
        )}
      </Waiting>
    </Dialog>
  );
}

const Words = ({ title, words }: { readonly title: string; readonly words: readonly string[] }) => (
  <section>
    <h3 className="font-bold mb-1">{title}</h3>
    <ul className="list-disc pl-5 flex flex-col gap-0.5">
      {words.map((each) => (
        <li key={each}>{each}</li>
      ))}
    </ul>
  </section>
);
