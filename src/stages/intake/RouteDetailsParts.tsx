import { coverKindOf } from '@/core/device/coverKinds';
import { View } from 'react-native';

import { sideGapMm } from '@/core/fit/tolerance';
import { partExtras, type PartExtra } from '@/core/intake/partExtras';
import { partText } from '@/words/partText';
import { Choice, Tick } from '@/ui/Choice';
import { NumberField } from '@/ui/NumberField';
import { Txt } from '@/ui/Txt';
import { lengthValue, length, typedToMm } from '@/words/units';
import type { RouteDetailsState } from './useRouteDetails';
import { t } from '@/words/intake';

const extraNames: Record<PartExtra, string> = {
  get adhesive() {
    return t('extraAdhesive');
  },
  get lens() {
    return t('lensCovers');
  },
  get flash() {
    return t('flashWindow');
  },
  get coil() {
    return t('extraCoil');
  },
  get mesh() {
    return t('microphoneMesh');
  },
  get frame() {
    return t('extraFrame');
  },
};

/** Through which face, what comes out, how it is closed. */
export function RouteChoices({ here: { route, job, onRoute } }: { here: RouteDetailsState }) {
  return (
    <>
      <Choice
        label={t('theInsideIsReachedThroughThe')}
        value={route.through}
        options={job.model.faces.filter((f) => !coverKindOf(f).lens).map((f) => ({ id: f.id, name: f.name }))}
        onChange={(through) => onRoute({ through })}
      />
      <Choice
        label={t('thePartsInside')}
        value={route.internalsOut ? 'out' : 'in'}
        options={[
          { id: 'in', name: t('stayInShielded') },
          { id: 'out', name: t('comeOut') },
        ]}
        onChange={(v) => onRoute({ internalsOut: v === 'out' })}
      />
      <Choice
        label={t('closedAgainWith')}
        value={route.closedBy}
        options={[
          { id: 'tape', name: t('ringOrTape') },
          { id: 'bead', name: t('liquidBead') },
          { id: 'nothing', name: t('nothingClipsOrGluedAlready') },
        ]}
        onChange={(closedBy) => onRoute({ closedBy })}
        hint={t('tapeLeavesTheSameDayA')}
      />
    </>
  );
}

/** What the new part comes with. */
export function NewPartHas({ here: { route, onRoute, moves, onEvents } }: { here: RouteDetailsState }) {
  return route.origin ? (
    <View className="mb-3">
      <Txt strong className="mb-1">
        {t('theNewPartComesWith')}
      </Txt>
      {partExtras.map((e) => (
        <Tick
          key={e}
          label={extraNames[e]}
          on={route.partHas.includes(e)}
          onChange={(on) => {
            const partHas = on ? [...route.partHas, e] : route.partHas.filter((x) => x !== e);
            onRoute({ partHas });
            const same = moves.filter((m) => m.extra === e);
            if (same.length) onEvents(same.map((m) => ({ type: 'partState', partId: m.id, to: on ? 'onNew' : 'in' })));
          }}
        />
      ))}
    </View>
  ) : null;
}

/** Pieces that must move. */
export function MustMove({ here: { moves, job, onEvents } }: { here: RouteDetailsState }) {
  return moves.length ? (
    <View className="mb-3" role="list" aria-label={t('piecesThatMustMove')}>
      <Txt strong className="mb-1">
        {t('ofPiecesMustMove', {
          n: moves.filter((m) => job.parts[m.id] !== 'onNew').length,
          of: moves.length,
        })}
      </Txt>
      {moves.map((m) => (
        <View key={m.id} role="listitem">
          <Tick
            label={t('alreadyOnTheNewPart', { name: m.name })}
            on={job.parts[m.id] === 'onNew'}
            onChange={(on) => onEvents([{ type: 'partState', partId: m.id, to: on ? 'onNew' : 'in' }])}
          />
        </View>
      ))}
    </View>
  ) : null;
}

/** Old and new measured. */
export function SideBySide({ here: { route, fields, settings, job, onEvents } }: { here: RouteDetailsState }) {
  return route.origin ? (
    <View>
      <Txt strong className="mb-1">
        {t('oldAndNewSideBySide')}
      </Txt>
      <Txt size="s" tone="ink2" className="mb-2">
        {t('layThemBackToBackBefore')}
      </Txt>
      <View className="flex-row gap-3">
        <Txt size="s" strong className="flex-1">
          {t('old')}
        </Txt>
        <Txt size="s" strong className="flex-1">
          {t('new')}
        </Txt>
      </View>
      {fields.map(([what, name, modelMm]) => (
        <View key={what} className="mb-1">
          <Txt size="s">{name}</Txt>
          <View className="flex-row gap-3">
            {(['oldMm', 'newMm'] as const).map((side) => (
              <View key={side} className="flex-1">
                <NumberField
                  label={side === 'oldMm' ? t('old2', { name }) : t('new2', { name })}
                  hideLabel
                  unit={settings.length}
                  low={lengthValue(0.05, settings, 2)}
                  high={lengthValue(500, settings, 2)}
                  digits={settings.length === 'mm' ? 2 : 3}
                  value={
                    job.measured[what]
                      ? lengthValue(job.measured[what]![side], settings, 2)
                      : lengthValue(modelMm, settings, 2)
                  }
                  onCommit={(v) => {
                    const old = job.measured[what] ?? { oldMm: modelMm, newMm: modelMm };
                    onEvents([{ type: 'partMeasured', what, ...old, [side]: typedToMm(v, settings) }]);
                  }}
                />
              </View>
            ))}
          </View>
          {job.measured[what] ? (
            <Txt size="s" className="mb-1">
              {partText(job, what, settings)}
            </Txt>
          ) : null}
        </View>
      ))}
      <Txt size="s" tone="ink2" className="mb-2">
        {t('wantedOnEachSideTo', {
          value: length(sideGapMm.least.value, settings, 2),
          value2: length(sideGapMm.most.value, settings, 2),
        })}
      </Txt>
      <Tick
        label={t('oldAndNewCompared')}
        note={t('outlineHolesAndTheSmallPieces')}
        on={job.prep.has('compared')}
        onChange={(done) => onEvents([{ type: 'prep', item: 'compared', done }])}
      />
    </View>
  ) : null;
}
