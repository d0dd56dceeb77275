import { setFiguresFirst } from './ownFigures';

setFiguresFirst();
