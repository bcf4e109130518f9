import '@testing-library/jest-dom/vitest';
import { cleanup, configure } from '@testing-library/react';
import { afterEach } from 'vitest';

afterEach(cleanup);

// A busy machine with two cores may need longer than the second that is usual.
configure({ asyncUtilTimeout: 8_000 });
