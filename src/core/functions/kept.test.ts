import { replayKept } from '../../../test-support/keptReplay';

replayKept('functions');
