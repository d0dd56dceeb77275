import { replayKept } from '../../../test-support/keptReplay';

replayKept('intake');
