import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import type { Family } from '../api/types';
import { pretendServer, problem, show, visit } from '../test/fixtures';
import { changeBlock, emptyLayout, patternOf, withPattern } from './layoutForm';
import { LayoutEditor } from './LayoutEditor';

const family: Family = { ...visit().family, stairs: 2, steps: 4 };

describe('a layout', () => {
  it('begins with a block for each channel that fits its nozzles', () => {
    const layout = emptyLayout(family);
    expect(layout.blocks.map((b) => b.channel)).toEqual(family.channels.map((c) => c.code));
    expect(layout.blocks.every((b) => b.stairs * b.steps === 8)).toBe(true);
  });

  it('takes a pattern into every block and a place into one', () => {
    const layout = withPattern(emptyLayout(family), { ...patternOf(emptyLayout(family)), steps: 5 });
    expect(layout.blocks.map((b) => b.steps)).toEqual(layout.blocks.map(() => 5));
    const moved = changeBlock(layout, 'C', { xMm: 33 });
    expect(moved.blocks.find((b) => b.channel === 'C')?.xMm).toBe(33);
    expect(moved.blocks.find((b) => b.channel === 'K')?.xMm).toBe(layout.blocks[0].xMm);
  });

  it('is moved by keys and shows the server’s reasons', async () => {
    pretendServer({
      'PUT /api/layouts/new-1': problem(422, {
        type: 'urn:undoknot:problem:entries',
        errors: [
          {
            field: 'layout.C',
            code: 'BLOCKS_OVERLAP',
            message: 'Block C: it lies over block K. Move one of them.',
          },
        ],
      }),
    });
    show(<LayoutEditor family={family} id="new-1" start={emptyLayout(family)} done={() => undefined} />, {
      at: '/layouts',
      path: '/layouts',
    });
    const block = await screen.findByRole('slider', { name: 'Block K' });
    block.focus();
    await userEvent.keyboard('{ArrowRight}');
    expect(screen.getByRole('textbox', { name: 'From the left, mm' })).toHaveValue('17.1');
    await userEvent.click(screen.getByRole('button', { name: 'Keep this layout' }));
    expect(await screen.findByRole('alert')).toHaveTextContent('lies over block K');
  });
});
