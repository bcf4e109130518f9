import { fireEvent, waitFor } from '@testing-library/react';

/** A key, once what it answers can be read: until then it rests. The key of the test before may be a moment ago. */
export async function pressed(key: string): Promise<void> {
  await waitFor(() => {
    if (document.querySelector('[data-rests]')) {
      throw new Error('the key rests');
    }
  });
  fireEvent.keyDown(document.body, { key });
}
