import { replayKept } from '../../../test-support/keptReplay';

replayKept('numeric');
