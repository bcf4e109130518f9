import { fireEvent, screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { Bead } from '../api/types';
import { show } from '../test/fixtures';
import { terms, word } from '../words/words';
import { KNOT_PATHS } from './shapes';
import { beadWords, Thread } from './Thread';
import { ThreadLegend } from './ThreadLegend';

const bead = (part: Partial<Bead>): Bead =>
  ({ id: 'x', at: '2026-03-02T08:00:00Z', kind: 'ATTEMPT', ...part }) as Bead;

describe('the thread', () => {
  it('says the whole course in words', () => {
    show(
      <Thread
        isClosed
        beads={[
          bead({ kind: 'TAKE_IN' }),
          bead({ kind: 'CHECK', out: 12 }),
          bead({ treatment: 'FLUSH', knot: 'LOOSENED' }),
          bead({ kind: 'CHECK', id: 'y' }),
          bead({ kind: 'RETURN', outcome: 'IMPROVED' }),
        ]}
      />,
    );
    expect(
      screen.getByRole('img', {
        name: 'Thread: taken in; check, 12 out; flush: some restored; no check possible; returned, improved',
      }),
    ).toBeInTheDocument();
  });

  it('has a shape of its own for every knot', () => {
    const knots = terms('knot');
    expect(Object.keys(KNOT_PATHS).sort()).toEqual([...knots].sort());
    expect(new Set(Object.values(KNOT_PATHS).map((paths) => paths.join())).size).toBe(knots.length);
  });

  it('lets the rope go on only while the visit is open and nothing is frayed', () => {
    const ends = (isClosed: boolean, knot: Bead['knot']) =>
      show(
        <Thread isClosed={isClosed} beads={[bead({ treatment: 'FLUSH', knot })]} />,
      ).container.innerHTML.includes('stroke-dasharray="1 7"');
    expect(ends(false, 'TIGHT')).toBe(true);
    expect(ends(true, 'TIGHT')).toBe(false);
    expect(ends(false, 'FRAYED')).toBe(false);
  });

  it('says what every knot tells, when asked', () => {
    show(
      <ThreadLegend>
        <p>the thread</p>
      </ThreadLegend>,
    );
    expect(screen.queryByText('Nothing restored')).not.toBeInTheDocument();
    fireEvent.click(screen.getByRole('button', { name: 'What the thread tells' }));
    expect(screen.getAllByRole('listitem').map((item) => item.textContent)).toEqual([
      'No check has judged it yet',
      'Nothing restored',
      'Some restored',
      'Accepted',
      'Stopped here',
      'No map to judge by',
    ]);
  });

  it('names a hold', () => {
    expect(beadWords(bead({ kind: 'HOLD' }))).toBe('dry hold');
    expect(word('knot', 'no such knot')).toBe('no such knot');
  });
});
