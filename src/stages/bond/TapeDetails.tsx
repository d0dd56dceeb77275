import { View } from 'react-native';
import { Link, type Href } from 'expo-router';

import { tapeSheet } from '@/core/bond/tapeSheet';
import type { JobState } from '@/model/fold';
import { tapeSvg } from '@/model/tapeSvg';
import { useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { download } from '@/ui/download';
import { Txt } from '@/ui/Txt';
import { length } from '@/words/units';
import type { BondWork, TapeWork } from '@/work/bond/bondWork';
import { t as tr } from '@/words/bond';
import { told } from '@/words/told';

const cornerNames = new Set(['bottomRight', 'topRight', 'topLeft', 'bottomLeft']);

/** Equal pieces together: what is read out while cutting. */
export function groupPieces(pieces: readonly { where: string; lengthMm: number }[]) {
  const groups: { where: string; lengthMm: number; count: number }[] = [];
  for (const p of pieces) {
    const corner = cornerNames.has(p.where);
    const where = corner ? tr('corners') : tr('edge', { where: p.where });
    const same = groups.find(
      (g) => Math.abs(g.lengthMm - p.lengthMm) < 0.05 && (g.where === where || (!corner && g.where !== 'corners')),
    );
    if (same) {
      same.count++;
      if (same.where !== where && !same.where.includes(where)) same.where = `${same.where}, ${where}`;
    } else groups.push({ where, lengthMm: p.lengthMm, count: 1 });
  }
  return groups;
}

interface TapeDetailsProps {
  job: JobState;
  work: BondWork;
  tape: TapeWork;
  onTape: (id: string) => void;
}

/** Cut list, what is cut from which offcut or roll, and the same at 1:1 for printer and tape cutter. */
export function TapeDetails({ job, work, tape, onTape }: TapeDetailsProps) {
  const settings = useSettings();
  const { plan, cuts } = tape;
  const name = `${job.label}-tape`;
  const sheet = () => tapeSheet(plan, work.cover, tape.widthMm);
  const svg = () => download(`${name}.svg`, tapeSvg(sheet(), `${job.label} ${job.device.name}`), 'image/svg+xml');
  const dxf = async () => {
    const { tapeDxf } = await import('@/model/tapeDxf');
    download(`${name}.dxf`, tapeDxf(sheet()), 'image/vnd.dxf');
  };
  return (
    <View className="mt-2">
      {settings.tapes.length > 1 ? (
        <Choice
          label={tr('tape')}
          value={tape.tape.id}
          options={settings.tapes.map((t) => ({
            id: t.id,
            name:
              t.black && !/black/i.test(t.name)
                ? tr('black2', { name: t.name, widthMm: length(t.widthMm, settings) })
                : `${told(t.name)}, ${length(t.widthMm, settings)}`,
          }))}
          onChange={onTape}
        />
      ) : null}
      {tape.trimMm > 0.01 ? (
        <Txt size="s" tone="caution">
          {tr('widerThanItsSeatTrimOff', { trimMm: length(tape.trimMm, settings) })}
        </Txt>
      ) : null}
      <View role="table" aria-label={tr('cutList')} className="mt-1">
        {groupPieces(plan.pieces).map((g) => (
          <View role="row" key={`${g.where}${g.lengthMm}`} className="flex-row border-b border-rule py-1">
            <View role="cell" className="w-[60px]">
              <Txt num strong>
                {g.count} ×
              </Txt>
            </View>
            <View role="cell" className="w-[100px]">
              <Txt num strong>
                {length(g.lengthMm, settings)}
              </Txt>
            </View>
            <View role="cell" className="flex-1">
              <Txt size="s" tone="ink2">
                {g.where}
              </Txt>
            </View>
          </View>
        ))}
      </View>
      <View role="table" aria-label={tr('cutFrom')} className="mt-2">
        {cuts.cuts.map((c) => (
          <View role="row" key={c.id} className="flex-row border-b border-rule py-1 gap-2">
            <View role="cell" className="flex-1">
              <Txt size="s">
                {c.from === 'roll'
                  ? c.pieces.length === 1
                    ? tr('fromTheRollOfItPiece', {
                        usedMm: length(c.usedMm + c.leftMm, settings, 0),
                        n: c.pieces.length,
                      })
                    : tr('fromTheRollOfItPieces', {
                        usedMm: length(c.usedMm + c.leftMm, settings, 0),
                        n: c.pieces.length,
                      })
                  : c.pieces.length === 1
                    ? tr('fromAnOffcutOfItPiece', {
                        usedMm: length(c.usedMm + c.leftMm, settings, 0),
                        n: c.pieces.length,
                      })
                    : tr('fromAnOffcutOfItPieces', {
                        usedMm: length(c.usedMm + c.leftMm, settings, 0),
                        n: c.pieces.length,
                      })}
              </Txt>
            </View>
            <View role="cell">
              <Txt size="s" num>
                {tr('left', { leftMm: length(c.leftMm, settings, 0) })}
              </Txt>
            </View>
          </View>
        ))}
      </View>
      <Txt size="s" tone="ink2" className="mt-1">
        {cuts.proven ? tr('offcutsFirstNoOtherWayTakes') : tr('offcutsFirstThereAreSoMany')}
      </Txt>
      <View className="flex-row gap-3 mt-2">
        <View className="flex-1">
          <Button kind="small" label={tr('template11Svg')} onPress={svg} />
        </View>
        <View className="flex-1">
          <Button kind="small" label={tr('forACutterDxf')} onPress={() => void dxf()} />
        </View>
      </View>
      <Link href={'/stock' as Href} className="font-body text-m text-ink underline py-3">
        {tr('stockRollsOffcutsLiquidsClips')}
      </Link>
    </View>
  );
}
