import { z } from 'zod';

// zod probes `new Function('')`, which the content security policy refuses (and browsers report)
z.config({ jitless: true });
