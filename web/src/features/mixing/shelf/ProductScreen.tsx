import { productFields, type BodyOf, type BusinessView, type ProductView } from '@dewpond/contract';
import { useMemo, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { v7 } from 'uuid';
import { call } from '../../../api/call';
import { makeStale } from '../../../data/stale';
import { useWrite } from '../../../data/useWrite';
import { useBusiness } from '../../../data/queries';
import { Button } from '../../../ui/Button';
import { fresh, useDraft } from '../../../forms/useDraft';
import { Card } from '../../../ui/Card';
import { Conflict } from '../../../forms/Conflict';
import { FormFoot } from '../../../forms/FormFoot';
import { Empty, Waiting } from '../../../ui/Waiting';
import { tell } from '../../../ui/tell';
import { MixingTabs } from '../MixingTabs';
import { LotsCard } from './LotsCard';
import { CautionFields, LabelFields, MoneyFields, WhatFields } from './ProductFields';
import { EMPTY_PRODUCT, bodyOf, formOf, readingBusiness } from './productForm';
import { FIELD_NAMES, showField } from './productFieldWords';

/** One product: what it is, how its label was read, what it warns of, what it costs; its lots beside it. */
export function ProductScreen() {
  const { id = '' } = useParams();
  return (
    <div className="px-7 py-5 max-md:px-3 flex flex-col gap-4">
      <Waiting query={useBusiness()} what="The product">
        {(business) => <Found key={id} business={business} id={id} />}
      </Waiting>
    </div>
  );
}

function Found({ business, id }: { readonly business: BusinessView; readonly id: string }) {
  const product = [...business.products, ...business.putAway].find((each) => each.id === id) ?? null;
  if (!product && id !== 'new')
    return (
      <Empty words="There is no such product here.">
        <Link to="/mixing/products" className="underline text-pond">
          All products
        </Link>
      </Empty>
    );
  return (
    <>
      <h1>{product?.name ?? 'New product'}</h1>
      <MixingTabs />
      <div className="grid grid-cols-[1fr_360px] max-lg:grid-cols-1 gap-3.5 items-start">
        <Editor business={business} product={product} />
        {product ? (
          <LotsCard product={product} />
        ) : (
          <Card title="Lots and stock">
            <p className="text-soft">Once it is kept, deliveries and lots are entered here.</p>
          </Card>
        )}
      </div>
    </>
  );
}

function Editor({ business, product }: { readonly business: BusinessView; readonly product: ProductView | null }) {
  const navigate = useNavigate();
  const seen = useMemo(
    () => (product ? { version: product.version, form: formOf(product) } : fresh(EMPTY_PRODUCT)),
    [product],
  );
  const draft = useDraft(seen, { as: (typed) => bodyOf(typed, readingBusiness(business)), fits: productFields });
  const { form } = draft;
  const [newId] = useState(() => v7());
  const save = useWrite(['POST /api/products', 'PUT /api/products/:id'], {
    form: draft,
    write: async (_, body: Omit<BodyOf<'POST /api/products'>, 'id'>) => {
      if (product)
        return (await call('PUT /api/products/:id', { id: product.id, body: { ...body, version: draft.version } }))
          .version;
      await call('POST /api/products', { body: { ...body, id: newId } });
      return 1;
    },
    onSuccess: async (version) => {
      draft.saved(version);
      tell(`${form.name} is kept.`);
      if (product) return;
      // Its page asks the business for it.
      await makeStale(['POST /api/products']);
      void navigate(`/mixing/products/${newId}`);
    },
  });
  const shelve = useWrite('PUT /api/products/:id/shelf', {
    write: async (_, archived: boolean) => {
      if (product)
        await call('PUT /api/products/:id/shelf', { id: product.id, body: { version: product.version, archived } });
    },
    onSuccess: (_, archived) => {
      tell(archived ? `${form.name} is archived. What is mixed of it stays on the bench.` : `${form.name} is back.`);
    },
    tells: true,
  });
  const fields = { draft, business };
  return (
    <form onSubmit={draft.submit((body) => save.mutate(body))} noValidate className="flex flex-col gap-3.5">
      <Conflict draft={draft} what="this product" names={FIELD_NAMES} show={showField} />
      <Card title="What it is">
        <WhatFields {...fields} />
      </Card>
      <Card title="How it is mixed">
        <LabelFields {...fields} />
      </Card>
      <Card title="What it warns of">
        <CautionFields {...fields} />
      </Card>
      <Card title="Buying it">
        <MoneyFields {...fields} />
      </Card>
      <FormFoot draft={draft} disabled={save.isPending}>
        {product && (
          <Button look="quiet" disabled={shelve.isPending} onClick={() => shelve.mutate(product.archivedOn === null)}>
            {product.archivedOn === null ? 'Archive' : 'Bring back'}
          </Button>
        )}
      </FormFoot>
    </form>
  );
}
