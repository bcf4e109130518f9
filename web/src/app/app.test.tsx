import { fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { Problem } from '../api/http';
import { pretendServer, problem, show } from '../test/fixtures';
import { readNumber } from './fields';
import { differences, Reconcile } from './Reconcile';
import { WriteProblem } from './states';
import { TagField } from './TagField';

const conflict = (current: object) =>
  new Problem(409, 'urn:undoknot:problem:changed-meanwhile', 'Somebody changed this.', [], { current });

describe('two versions of one thing', () => {
  it('differ only where they say something else', () => {
    const found = differences(
      { a: 'x', b: undefined, c: [1] },
      { a: 'y', b: '', c: [1] },
      { a: 'A', b: 'B', c: 'C' },
    );
    expect(found).toEqual([{ field: 'a', label: 'A', theirs: 'x', mine: 'y' }]);
  });

  it('are chosen from entry by entry; mine stands until theirs is taken', () => {
    const settle = vi.fn();
    const found = differences({ a: 'x', b: '1' }, { a: 'y', b: '2' }, { a: 'A', b: 'B' });
    show(<Reconcile problem={conflict({})} found={found} settle={settle} cancel={() => undefined} />);
    fireEvent.click(screen.getByRole('button', { name: 'Theirs: 1' }));
    fireEvent.click(screen.getByRole('button', { name: 'Theirs: x' }));
    fireEvent.click(screen.getByRole('button', { name: 'Mine: y' }));
    fireEvent.click(screen.getByRole('button', { name: 'Take this choice' }));
    expect([...settle.mock.calls[0][0]]).toEqual(['b']);
  });

  it('are no matter of any other problem', () => {
    show(
      <Reconcile
        problem={new Problem(422, 'entries', 'x', [], {})}
        found={[]}
        settle={() => undefined}
        cancel={() => undefined}
      />,
    );
    expect(screen.queryByRole('dialog')).not.toBeInTheDocument();
  });
});

describe('why a write did not go through', () => {
  it('says it, or that it stands at the entries, and is silent about a conflict', () => {
    show(
      <>
        <WriteProblem problem={new Problem(0, 'offline', 'The server cannot be reached.', [], {})} />
        <WriteProblem
          problem={
            new Problem(422, 'entries', 'Enter it.', [{ field: 'a', code: 'X', message: 'Enter it.' }], {})
          }
        />
        <WriteProblem problem={conflict({})} />
        <WriteProblem problem={null} />
      </>,
    );
    expect(screen.getAllByRole('alert').map((alert) => alert.textContent)).toEqual([
      'The server cannot be reached.',
      'Some entries need another look: they are marked above.',
    ]);
  });
});

describe('a typed number', () => {
  it.each([
    ['2.5', 2.5],
    [' 2,5 ', 2.5],
    ['-3', -3],
    ['', undefined],
    [undefined, undefined],
    ['1e3', NaN],
    ['12 mL', NaN],
    ['.', NaN],
  ])('%s is %s', (typed, value) => {
    expect(readNumber(typed)).toEqual(value);
  });
});

describe('the tag field', () => {
  const found = { 'GET /api/tags/4444F': { visitId: 'visit-1' }, 'GET /api/tags/': problem(404, {}) };

  it('opens the visit of a tag and searches for anything else', async () => {
    pretendServer(found);
    const { where } = show(<TagField />);
    const field = screen.getByLabelText('Tag, serial or customer');
    fireEvent.change(field, { target: { value: 'mud lark' } });
    fireEvent.submit(field);
    await waitFor(() => expect(where()).toBe('/?search=mud%20lark'));
    fireEvent.change(field, { target: { value: '4444F' } });
    fireEvent.submit(field);
    await waitFor(() => expect(where()).toBe('/visits/visit-1'));
  });

  function type(signs: string, gapMs: number) {
    const at = 1000;
    [...signs, 'Enter'].forEach((key, i) => {
      const event = new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true });
      Object.defineProperty(event, 'timeStamp', { value: at + i * gapMs });
      document.body.dispatchEvent(event);
    });
  }

  it('knows a scanner from a hand by its speed', async () => {
    const sent = pretendServer(found);
    const { where } = show(<TagField />);
    type('4444F', 300);
    expect(sent).toHaveLength(0);
    type('4444F', 8);
    await waitFor(() => expect(where()).toBe('/visits/visit-1'));
  });

  it('says when the server cannot be reached and keeps what was typed', async () => {
    vi.stubGlobal('fetch', vi.fn().mockRejectedValue(new TypeError('network')));
    show(<TagField />);
    const field = screen.getByLabelText('Tag, serial or customer');
    fireEvent.change(field, { target: { value: '4444F' } });
    fireEvent.submit(field);
    expect(await screen.findByText(/cannot be reached/)).toBeInTheDocument();
    expect(field).toHaveValue('4444F');
  });
});
