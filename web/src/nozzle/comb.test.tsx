import { ThemeProvider } from '@mui/material/styles';
import { fireEvent, render, screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { theme } from '../app/theme';
import { combWords } from './Comb';
import { combPaths, tally, tooth } from './comb';
import { Teeth } from './Teeth';

const channel = {
  code: 'C',
  colour: 'Cyan',
  ink: '#0092c4',
  port: 'post',
  nozzles: 6,
  fitting: 'TUBE' as const,
};

describe('the comb', () => {
  it('draws a whole, a half, a leaning, an absent tooth', () => {
    expect(tooth('F', 10, 4, 20, 6, 1)).toBe('M10 4L10 24');
    expect(tooth('W', 10, 4, 20, 6, 1)).toBe('M10 4L10 14');
    expect(tooth('D', 10, 4, 20, 6, -1)).toBe('M10 4L16 -16');
    expect(tooth('M', 10, 4, 20, 6, 1)).toBe('');
  });

  it('keeps unread teeth apart, since they are dotted', () => {
    const paths = combPaths('FUM', 30, 0, 10, 1);
    expect(paths.whole).toBe('M5 0L5 10');
    expect(paths.dotted).toBe('M15 0L15 10');
  });

  it('says the counts', () => {
    expect(tally('FWDMUM')).toEqual({ F: 1, W: 1, D: 1, M: 2, U: 1 });
    expect(combWords('FWDMUM')).toBe('2 out, 1 weak, 1 deflected, 1 unread');
    expect(combWords('FFF')).toBe('all 3 firing');
  });
});

describe('the large teeth', () => {
  function show(reading: string) {
    const onPaint = vi.fn();
    render(
      <ThemeProvider theme={theme}>
        <Teeth
          channel={channel}
          steps={3}
          reading={reading}
          brush="M"
          onPaint={onPaint}
          onDragEnd={() => undefined}
        />
      </ThemeProvider>,
    );
    return { onPaint, list: screen.getByRole('listbox', { name: 'Nozzles of Cyan' }) };
  }

  it('names every nozzle with its state', () => {
    show('FMFFFF');
    expect(screen.getByRole('option', { name: '2 missing' })).toBeInTheDocument();
    expect(screen.getAllByRole('option')).toHaveLength(6);
  });

  it('sets the nozzle under the cursor by the letter of a state', () => {
    const { onPaint, list } = show('FFFFFF');
    fireEvent.keyDown(list, { key: 'ArrowRight' });
    fireEvent.keyDown(list, { key: 'w' });
    expect(onPaint).toHaveBeenLastCalledWith([2], 'W', false);
  });

  it('sets a stretch marked with Shift, and Space takes the brush back from a nozzle that has it', () => {
    const { onPaint, list } = show('FFFFFM');
    fireEvent.keyDown(list, { key: 'ArrowRight', shiftKey: true });
    fireEvent.keyDown(list, { key: 'ArrowRight', shiftKey: true });
    fireEvent.keyDown(list, { key: 'd' });
    expect(onPaint).toHaveBeenLastCalledWith([1, 2, 3], 'D', false);
    fireEvent.keyDown(list, { key: 'End' });
    fireEvent.keyDown(list, { key: ' ' });
    expect(onPaint).toHaveBeenLastCalledWith([6], 'F', false);
  });
});
