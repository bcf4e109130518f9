import { zodResolver } from '@hookform/resolvers/zod';
import { Alert, Button, Chip, Stack, Typography } from '@mui/material';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import * as z from 'zod';
import { answer, api, type Problem } from '../api/http';
import type { Account, GivenCode } from '../api/types';
import { Choice, Entry, SelectEntry } from '../app/fields';
import { Block, Page } from '../app/Page';
import { Failed, Loading, WriteProblem } from '../app/states';
import { useProblemAt } from '../app/useProblemAt';
import { moment } from '../bench/time';
import { terms, word } from '../words/words';
import { SignIns } from './SignIns';
import { TabletsBlock } from './TabletsBlock';
import { WallLinksBlock } from './WallLinksBlock';
import { useSession } from './session';
import { AccountForm } from './AccountForm';

const ROLES = terms('role').map((value) => ({ value, label: word('role', value) }));
const KEY = ['accounts'];

/** The people of the shop, for a lead. */
export default function AccountsPage() {
  const { isLead, person } = useSession();
  const mayKeep = isLead && !person.byPin;
  const accounts = useQuery<Account[], Problem>({
    queryKey: KEY,
    queryFn: () => answer(api.GET('/api/accounts')),
    enabled: mayKeep,
  });
  const [given, setGiven] = useState<GivenCode>();
  if (!mayKeep) {
    return (
      <Page title="Accounts">
        <Typography>
          {isLead
            ? 'A PIN opens the work, not the accounts. Sign out, and sign in with your password.'
            : 'Accounts are kept by a lead of the shop.'}
        </Typography>
      </Page>
    );
  }
  if (accounts.isError) {
    return <Failed error={accounts.error} again={() => void accounts.refetch()} />;
  }
  if (!accounts.data) {
    return <Loading what="the accounts" />;
  }
  return (
    <Page title="Accounts" back={{ to: '/house-rules', label: 'House rules' }}>
      {given && (
        <Alert severity="success" onClose={() => setGiven(undefined)} sx={{ mb: 2 }}>
          <Typography>
            {given.name} signs in with this code, once, within three days, and chooses a password:
          </Typography>
          <Typography sx={{ fontSize: '1.75rem', fontWeight: 700, letterSpacing: '0.06em' }}>
            {given.code}
          </Typography>
          <Typography>It is shown now and never again.</Typography>
        </Alert>
      )}
      <Block title="People">
        <Stack component="ul" spacing={2} sx={{ listStyle: 'none', p: 0, m: 0 }}>
          {accounts.data.map((account) => (
            <Person key={account.name} account={account} given={setGiven} />
          ))}
        </Stack>
      </Block>
      <Block title="Add somebody">
        <NewPerson given={setGiven} />
      </Block>
      <TabletsBlock />
      <WallLinksBlock />
      <SignIns />
    </Page>
  );
}

function Person({ account, given }: { account: Account; given: (code: GivenCode) => void }) {
  const queries = useQueryClient();
  const { person } = useSession();
  const done = () => {
    void queries.invalidateQueries({ queryKey: KEY });
  };
  const path = { params: { path: { name: account.name } } };
  const write = useMutation<unknown, Problem, () => Promise<unknown>>({
    mutationFn: (send) => send(),
    onSuccess: done,
  });
  const isSelf = person.name === account.name;
  return (
    <Stack
      component="li"
      aria-label={account.displayName}
      sx={{ gap: 1, borderBottom: 1, borderColor: 'divider', pb: 2 }}
    >
      <Stack direction="row" sx={{ gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
        <Typography sx={{ fontWeight: 700 }}>{account.displayName}</Typography>
        <Typography color="text.secondary">{account.name}</Typography>
        {account.locked && <Chip color="error" label="locked" />}
        {account.codeUntil && <Chip label={`code out until ${moment(account.codeUntil)}`} />}
      </Stack>
      <Choice
        label={`Role of ${account.displayName}`}
        isFixed
        options={ROLES}
        value={account.role}
        onChange={(role) =>
          write.mutate(() =>
            answer(
              api.PUT('/api/accounts/{name}', {
                ...path,
                body: { displayName: account.displayName, role: role as Account['role'] },
              }),
            ),
          )
        }
      />
      <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap' }}>
        <Button
          variant="outlined"
          onClick={() =>
            write.mutate(async () => given(await answer(api.POST('/api/accounts/{name}/code', path))))
          }
        >
          Code for a new password
        </Button>
        <Button
          variant="outlined"
          disabled={isSelf}
          onClick={() =>
            write.mutate(() =>
              answer(api.PUT('/api/accounts/{name}/lock', { ...path, body: { locked: !account.locked } })),
            )
          }
        >
          {account.locked ? 'Open the account' : 'Lock the account'}
        </Button>
        <Button
          variant="outlined"
          onClick={() => write.mutate(() => answer(api.DELETE('/api/accounts/{name}/sessions', path)))}
        >
          Sign out everywhere
        </Button>
      </Stack>
      {write.error?.isConflict ? (
        <Alert severity="error" role="alert">
          {write.error.message}
        </Alert>
      ) : (
        <WriteProblem problem={write.error} />
      )}
    </Stack>
  );
}

const schema = z.object({
  displayName: z.string().refine((text) => text.trim() !== '', 'Enter the name as it stands on paper.'),
  name: z.string().refine((text) => text.trim() !== '', 'Enter the name to sign in with.'),
  role: z.enum(['TECHNICIAN', 'LEAD', 'OBSERVER']),
});

const NOBODY: z.infer<typeof schema> = { displayName: '', name: '', role: 'TECHNICIAN' };

function NewPerson({ given }: { given: (code: GivenCode) => void }) {
  const queries = useQueryClient();
  const form = useForm({ defaultValues: NOBODY, resolver: zodResolver(schema) });
  const write = useMutation<GivenCode, Problem, z.infer<typeof schema>>({
    mutationFn: (body) => answer(api.POST('/api/accounts', { body })),
    onSuccess: (code) => {
      given(code);
      form.reset(NOBODY);
      void queries.invalidateQueries({ queryKey: KEY });
      window.scrollTo?.(0, 0);
    },
  });
  useProblemAt(form, write.error);
  return (
    <AccountForm form={form} isPending={write.isPending} send={write.mutate}>
      <Entry control={form.control} name="displayName" label="Name on paper" />
      <Entry control={form.control} name="name" label="Name to sign in with" />
      <SelectEntry control={form.control} name="role" label="Role" options={ROLES} />
      <WriteProblem problem={write.error} />
      <Button type="submit" variant="contained" loading={write.isPending}>
        Add the account
      </Button>
    </AccountForm>
  );
}
