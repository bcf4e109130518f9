import { Button, Stack, TextField, Typography } from '@mui/material';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Problem } from '../api/http';
import type { ShopView } from '../api/types';
import { Block } from '../app/Page';
import { WriteProblem } from '../app/states';

/** The shop's name and address on paper, and the money it reckons in. */
export function ShopBlock({ isLead }: { isLead: boolean }) {
  const shop = useQuery({ queryKey: ['shop'], queryFn: () => answer(api.GET('/api/shop')) });
  if (!shop.data) {
    return null;
  }
  return <ShopForm key={shop.data.version ?? 'new'} shop={shop.data} isLead={isLead} />;
}

function ShopForm({ shop, isLead }: { shop: ShopView; isLead: boolean }) {
  const queries = useQueryClient();
  const [name, setName] = useState(shop.name);
  const [address, setAddress] = useState(shop.address);
  const [currency, setCurrency] = useState(shop.currency);
  const write = useMutation<ShopView, Problem>({
    mutationFn: () =>
      answer(api.PUT('/api/shop', { body: { version: shop.version ?? undefined, name, address, currency } })),
    onSuccess: async (now) => {
      queries.setQueryData(['shop'], now);
      await queries.invalidateQueries({ queryKey: ['session'] });
    },
  });
  const wrong = (field: string) => write.error?.errors.find((e) => e.field === field)?.message;
  if (!isLead) {
    return (
      <Block title="The shop">
        <Typography>
          {shop.name}
          {shop.address && `, ${shop.address}`}. It reckons in {shop.currency}.
        </Typography>
      </Block>
    );
  }
  return (
    <Block title="The shop">
      <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap', alignItems: 'flex-start' }}>
        <TextField
          label="Name on paper"
          value={name}
          onChange={(event) => setName(event.target.value)}
          error={wrong('name') !== undefined}
          helperText={wrong('name')}
          sx={{ flex: '1 1 220px' }}
        />
        <TextField
          label="Address on paper"
          value={address}
          onChange={(event) => setAddress(event.target.value)}
          error={wrong('address') !== undefined}
          helperText={wrong('address')}
          sx={{ flex: '2 1 280px' }}
        />
        <TextField
          label="Currency"
          value={currency}
          onChange={(event) => setCurrency(event.target.value)}
          error={wrong('currency') !== undefined}
          helperText={wrong('currency') ?? 'Three letters, such as EUR'}
          sx={{ width: 240 }}
        />
        <Button
          variant="outlined"
          loading={write.isPending}
          onClick={() => write.mutate()}
          sx={{ minHeight: 56 }}
        >
          Keep it
        </Button>
      </Stack>
      {write.error?.isConflict && (
        <Typography role="alert" color="error">
          Somebody changed this meanwhile. Load the page again, and enter what is still wanted.
        </Typography>
      )}
      <WriteProblem problem={write.error} />
    </Block>
  );
}
