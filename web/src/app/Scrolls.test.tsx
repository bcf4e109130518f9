import { act, render, screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { Scrolls } from './Scrolls';

describe('something wide', () => {
  let resized: () => void = () => undefined;

  it('is reached by keys where it scrolls, and is no stop where it fits', () => {
    vi.stubGlobal(
      'ResizeObserver',
      class {
        constructor(told: () => void) {
          resized = told;
        }
        observe() {}
        disconnect() {}
      },
    );
    const wide = vi.spyOn(Element.prototype, 'scrollWidth', 'get').mockReturnValue(300);
    vi.spyOn(Element.prototype, 'clientWidth', 'get').mockReturnValue(300);
    render(
      <Scrolls label="Thread">
        <svg />
      </Scrolls>,
    );
    act(() => resized());
    expect(screen.queryByRole('group', { name: 'Thread' })).not.toBeInTheDocument();
    wide.mockReturnValue(900);
    act(() => resized());
    expect(screen.getByRole('group', { name: 'Thread' })).toHaveAttribute('tabindex', '0');
  });
});
