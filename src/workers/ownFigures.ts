import { setFromText } from '@/core/ownFiguresText';

// a worker is named with the shop's own figures: they are there before any module that holds figures is loaded
setFromText(typeof self === 'undefined' ? null : self.name);
