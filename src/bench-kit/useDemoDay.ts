import { useSyncExternalStore } from 'react';

import { demoDayNow, onDemoDay, type DemoDay } from '@/store/demoDay';

/** The day of the demo, as long as it is one. */
export const useDemoDay = (): DemoDay | null => useSyncExternalStore(onDemoDay, demoDayNow, demoDayNow);
