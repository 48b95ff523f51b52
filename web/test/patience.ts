import { jest } from '@jest/globals';
import { configure } from '@testing-library/react';

// a machine that is busy with other work answers late, and not wrongly
configure({ asyncUtilTimeout: 15_000 });
jest.setTimeout(60_000);
