import { Table, TableBody, TableCell, TableHead, TableRow } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { answer, api, type Problem } from '../api/http';
import type { SignInEntry } from '../api/types';
import { Block } from '../app/Page';
import { Empty } from '../app/states';
import { moment } from '../bench/time';
import { word } from '../words/words';

/** Who signed in when and from where, and what was done to accounts; the last 200. */
export function SignIns() {
  const log = useQuery<SignInEntry[], Problem>({
    queryKey: ['accounts', 'log'],
    queryFn: () => answer(api.GET('/api/accounts/log')),
  });
  return (
    <Block title="Sign-ins">
      {log.data?.length === 0 && <Empty>Nobody has signed in yet.</Empty>}
      {log.data && log.data.length > 0 && (
        <Table size="small" aria-label="Sign-ins">
          <TableHead>
            <TableRow>
              <TableCell>When</TableCell>
              <TableCell>Name</TableCell>
              <TableCell>What</TableCell>
              <TableCell>From</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {log.data.map((entry, i) => (
              <TableRow key={i}>
                <TableCell>{moment(entry.at)}</TableCell>
                <TableCell>{entry.name}</TableCell>
                <TableCell>
                  {word('signIn', entry.what)}
                  {entry.by && ` by ${entry.by}`}
                </TableCell>
                <TableCell>{entry.address}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      )}
    </Block>
  );
}
