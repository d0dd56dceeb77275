import { replayKept } from '../../../test-support/keptReplay';

replayKept('bond');
