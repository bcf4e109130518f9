import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, it } from 'vitest';
import { NOW, pretendServer, problem, show, visit } from '../test/fixtures';
import { AlsoFound } from './AlsoFound';

const SPILL = {
  id: 'f-1',
  what: 'SPILL',
  place: 'under the park station',
  note: '',
  foundAt: NOW,
  foundBy: 'wenna',
  withdrawn: false,
  hasPhoto: false,
};

it('says why an entry of something found besides could not be taken back', async () => {
  const sent = pretendServer({
    'GET /api/visits': [SPILL],
    'PUT /api/visits': problem(409, { detail: 'The head was handed back; reopen the visit first.' }),
  });
  show(<AlsoFound visit={visit()} mayWrite />);
  await userEvent.click(await screen.findByRole('button', { name: /^Take back .*under the park station$/ }));
  expect(await screen.findByRole('alert')).toHaveTextContent(
    'The head was handed back; reopen the visit first.',
  );
  expect(sent.at(-1)?.path).toMatch(/\/also-found\/f-1\/withdrawal$/);
});
