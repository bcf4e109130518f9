import { zodResolver } from '@hookform/resolvers/zod';
import { Alert, Button, Stack, Typography } from '@mui/material';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import * as z from 'zod';
import { answer, api, type Problem } from '../api/http';
import type { WallLink } from '../api/types';
import { Entry, readNumber } from '../app/fields';
import { Block } from '../app/Page';
import { Empty, WriteProblem } from '../app/states';
import { typedWhole } from '../app/typed';
import { useProblemAt } from '../app/useProblemAt';
import { moment } from '../bench/time';
import { AccountForm } from './AccountForm';

const KEY = ['accounts', 'wall-links'];

const schema = z.object({
  name: z.string().refine((text) => text.trim() !== '', 'Say where the screen hangs.'),
  days: typedWhole('Enter for how many days.'),
});

/** Links that open the bench on a screen on the wall, without a sign-in and without a customer. */
export function WallLinksBlock() {
  const queries = useQueryClient();
  const links = useQuery<WallLink[], Problem>({
    queryKey: KEY,
    queryFn: () => answer(api.GET('/api/accounts/wall-links')),
  });
  const done = () => void queries.invalidateQueries({ queryKey: KEY });
  const form = useForm({ defaultValues: { name: '', days: '30' }, resolver: zodResolver(schema) });
  const make = useMutation<WallLink, Problem, { name: string; days: string }>({
    mutationFn: ({ name, days }) =>
      answer(api.POST('/api/accounts/wall-links', { body: { name, days: readNumber(days) ?? 0 } })),
    onSuccess: () => {
      form.reset();
      done();
    },
  });
  const end = useMutation<unknown, Problem, string>({
    mutationFn: (id) => answer(api.DELETE('/api/accounts/wall-links/{id}', { params: { path: { id } } })),
    onSuccess: done,
  });
  useProblemAt(form, make.error);
  const standing = (links.data ?? []).filter((link) => link.stands);
  return (
    <Block title="The bench on a wall">
      <Stack spacing={2}>
        <Typography>
          Whoever has the link sees tags, what is next and what runs: no customer, no person, and nothing can
          be written. It ends with its time, or here.
        </Typography>
        {make.data?.path && (
          <Alert severity="info" role="status">
            Open this on the screen, it is shown once:{' '}
            <a href={make.data.path}>{window.location.origin + make.data.path}</a>
          </Alert>
        )}
        {standing.length === 0 && <Empty>No link is open.</Empty>}
        {standing.map((link) => (
          <Stack key={link.id} direction="row" sx={{ gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
            <Typography sx={{ fontWeight: 650 }}>{link.name}</Typography>
            <Typography color="text.secondary">
              made by {link.madeBy}, until {moment(link.until)}
            </Typography>
            <Button variant="outlined" loading={end.isPending} onClick={() => end.mutate(link.id)}>
              End {link.name}
            </Button>
          </Stack>
        ))}
        <WriteProblem problem={end.error} />
        <AccountForm form={form} isPending={make.isPending} send={make.mutate}>
          <Entry control={form.control} name="name" label="Where the screen hangs" />
          <Entry control={form.control} name="days" label="For how many days" unit="days" isNumber />
          <WriteProblem problem={make.error} />
          <Button type="submit" variant="contained" loading={make.isPending}>
            Make a link
          </Button>
        </AccountForm>
      </Stack>
    </Block>
  );
}
