import { zodResolver } from '@hookform/resolvers/zod';
import { Button, Chip, Stack, Typography } from '@mui/material';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import * as z from 'zod';
import { answer, api, type Problem } from '../api/http';
import type { Tablet } from '../api/types';
import { Entry } from '../app/fields';
import { Block } from '../app/Page';
import { Empty, WriteProblem } from '../app/states';
import { useProblemAt } from '../app/useProblemAt';
import { moment } from '../bench/time';
import { AccountForm } from './AccountForm';

const KEY = ['accounts', 'tablets'];

const schema = z.object({
  name: z.string().refine((text) => text.trim() !== '', 'Enter what the device is called, such as Bench 2.'),
});

/** Devices on which people change over by PIN. */
export function TabletsBlock() {
  const queries = useQueryClient();
  const tablets = useQuery<Tablet[], Problem>({
    queryKey: KEY,
    queryFn: () => answer(api.GET('/api/accounts/tablets')),
  });
  const done = () => {
    void queries.invalidateQueries({ queryKey: KEY });
    void queries.invalidateQueries({ queryKey: ['session'], exact: true });
  };
  const end = useMutation<unknown, Problem, string>({
    mutationFn: (id) => answer(api.DELETE('/api/accounts/tablets/{id}', { params: { path: { id } } })),
    onSuccess: done,
  });
  const form = useForm({ defaultValues: { name: '' }, resolver: zodResolver(schema) });
  const trust = useMutation<unknown, Problem, z.infer<typeof schema>>({
    mutationFn: (body) => answer(api.POST('/api/accounts/tablets', { body })),
    onSuccess: () => {
      form.reset();
      done();
    },
  });
  useProblemAt(form, trust.error);
  return (
    <Block title="Tablets on the bench">
      <Stack spacing={2}>
        <Typography>
          On a device that is trusted here, people change over with a tap on their name and a PIN. It opens
          the work, never the accounts. Trust only what stays in the shop.
        </Typography>
        {tablets.data?.length === 0 && <Empty>No device is trusted yet.</Empty>}
        {tablets.data?.map((tablet) => (
          <Stack key={tablet.id} direction="row" sx={{ gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
            <Typography sx={{ fontWeight: 650 }}>{tablet.name}</Typography>
            {tablet.here && <Chip label="this one" />}
            <Typography color="text.secondary">
              trusted by {tablet.trustedBy}, {moment(tablet.trustedAt)}
            </Typography>
            <Button variant="outlined" loading={end.isPending} onClick={() => end.mutate(tablet.id)}>
              Trust it no longer
            </Button>
          </Stack>
        ))}
        <WriteProblem problem={end.error} />
        <AccountForm form={form} isPending={trust.isPending} send={trust.mutate}>
          <Entry control={form.control} name="name" label="Name of this device" />
          <WriteProblem problem={trust.error} />
          <Button type="submit" variant="contained" loading={trust.isPending}>
            Trust this device
          </Button>
        </AccountForm>
      </Stack>
    </Block>
  );
}
