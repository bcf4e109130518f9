import { act } from '@testing-library/react';

/** A line of events that a test speaks on; stands in for EventSource. */
export class Line extends EventTarget {
  static opened: Line[] = [];
  isClosed = false;
  constructor(readonly url: string) {
    super();
    Line.opened.push(this);
  }
  close() {
    this.isClosed = true;
  }
  says(name: string, data: unknown = '') {
    act(() => void this.dispatchEvent(new MessageEvent(name, { data: JSON.stringify(data) })));
  }
}

export const lastLine = () => Line.opened.at(-1)!;
