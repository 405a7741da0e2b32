import { configure } from '@testing-library/react';

// The core's tests run beside these on the same two cores: what is waited for may take its time.
// Nothing gets slower by it where all is well.
configure({ asyncUtilTimeout: 30_000 });
