import { coverKindOf } from '@/core/device/coverKinds';
import { View } from 'react-native';

import { sideGapMm } from '@/core/fit/tolerance';
import { partExtras, type PartExtra } from '@/core/intake/route';
import { partText } from '@/words/partText';
import { Choice, Tick } from '@/ui/Choice';
import { NumberField } from '@/ui/NumberField';
import { Txt } from '@/ui/Txt';
import { lengthNumber, length, typedToMm } from '@/words/units';
import type { RouteDetailsState } from './useRouteDetails';

const extraNames: Record<PartExtra, string> = {
  adhesive: 'adhesive',
  lens: 'lens covers',
  flash: 'flash window',
  coil: 'coil',
  mesh: 'microphone mesh',
  frame: 'frame',
};

/** Through which face, what comes out, how it is closed. */
export function RouteChoices({ here: { route, job, onRoute } }: { here: RouteDetailsState }) {
  return (
    <>
      <Choice
        label="The inside is reached through the"
        value={route.through}
        options={job.model.faces.filter((f) => !coverKindOf(f).lens).map((f) => ({ id: f.id, name: f.name }))}
        onChange={(through) => onRoute({ through })}
      />
      <Choice
        label="The internals"
        value={route.internalsOut ? 'out' : 'in'}
        options={[
          { id: 'in', name: 'Stay in, shielded' },
          { id: 'out', name: 'Come out' },
        ]}
        onChange={(v) => onRoute({ internalsOut: v === 'out' })}
      />
      <Choice
        label="Closed again with"
        value={route.closedBy}
        options={[
          { id: 'tape', name: 'Ring or tape' },
          { id: 'bead', name: 'Liquid bead' },
          { id: 'nothing', name: 'Nothing: clips, or bonded already' },
        ]}
        onChange={(closedBy) => onRoute({ closedBy })}
        hint="Tape leaves the same day. A bead that dries needs a day at two open edges, up to four where only one is open."
      />
    </>
  );
}

/** What the new part comes with. */
export function NewPartHas({ here: { route, onRoute, moves, onEvents } }: { here: RouteDetailsState }) {
  return route.origin ? (
    <View className="mb-3">
      <Txt strong className="mb-1">
        The new part comes with
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
    <View className="mb-3" role="list" aria-label="Pieces that must move">
      <Txt strong className="mb-1">
        {moves.filter((m) => job.parts[m.id] !== 'onNew').length} of {moves.length} pieces must move
      </Txt>
      {moves.map((m) => (
        <View key={m.id} role="listitem">
          <Tick
            label={`${m.name}: on the new part already`}
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
        Old and new side by side
      </Txt>
      <Txt size="s" tone="ink2" className="mb-2">
        Lay them back to back before anything is heated. The model’s figures stand in for what is not measured.
      </Txt>
      <View className="flex-row gap-3">
        <Txt size="s" strong className="flex-1">
          old
        </Txt>
        <Txt size="s" strong className="flex-1">
          new
        </Txt>
      </View>
      {fields.map(([what, name, modelMm]) => (
        <View key={what} className="mb-1">
          <Txt size="s">{name}</Txt>
          <View className="flex-row gap-3">
            {(['oldMm', 'newMm'] as const).map((side) => (
              <View key={side} className="flex-1">
                <NumberField
                  label={`${name}, ${side === 'oldMm' ? 'old' : 'new'}`}
                  hideLabel
                  unit={settings.length}
                  low={Number(lengthNumber(0.05, settings, 2))}
                  high={Number(lengthNumber(500, settings, 2))}
                  digits={settings.length === 'mm' ? 2 : 3}
                  value={
                    job.measured[what]
                      ? Number(lengthNumber(job.measured[what]![side], settings, 2))
                      : Number(lengthNumber(modelMm, settings, 2))
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
        Wanted on each side: {length(sideGapMm.least.value, settings, 2)} to {length(sideGapMm.most.value, settings, 2)}
        .
      </Txt>
      <Tick
        label="Old and new compared"
        note="Outline, holes, and the small pieces that sit on the old one."
        on={job.prep.has('compared')}
        onChange={(done) => onEvents([{ type: 'prep', item: 'compared', done }])}
      />
    </View>
  ) : null;
}
