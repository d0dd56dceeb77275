import { AtkinsonHyperlegibleNext_400Regular } from '@expo-google-fonts/atkinson-hyperlegible-next/400Regular';
import { AtkinsonHyperlegibleNext_700Bold } from '@expo-google-fonts/atkinson-hyperlegible-next/700Bold';
import { Asset } from 'expo-asset';

import type { Language } from '@/model/languages';
import type { SheetDoc } from './sheetPdf';
import { t } from '@/words/handover';

const bytesOf = async (font: number): Promise<ArrayBuffer> => {
  const answer = await fetch(Asset.fromModule(font).uri);
  if (!answer.ok) throw new Error(t('theLettersOfTheSheetCould'));
  return answer.arrayBuffer();
};

/** The PDF of a sheet; what makes it is loaded when it is asked for. */
export async function makeSheet(doc: SheetDoc, language: Language): Promise<Uint8Array> {
  const [{ sheetPdf }, regular, bold] = await Promise.all([
    import('./sheetPdf'),
    bytesOf(AtkinsonHyperlegibleNext_400Regular as unknown as number),
    bytesOf(AtkinsonHyperlegibleNext_700Bold as unknown as number),
  ]);
  return sheetPdf(doc, { regular, bold }, language);
}
