import { coverKindOf } from '@/core/device/coverKinds';

import { adhesives } from '@/core/adhesives';
import { withKnown } from '@/core/device/known';
import { withCoverThickness, withOutline } from '@/core/device/editing';
import type { Bond, Construction } from '@/core/device/types';
import { coverOfKind } from '@/model/buildDevice';
import { Choice, Tick } from '@/ui/Choice';
import { NumberField } from '@/ui/NumberField';
import { Disclosure } from '@/ui/Disclosure';
import { turned } from './editorState';
import { Mm, ShapeFields, Two } from './Fields';
import type { EditorState } from './useEditor';
import { t as tr } from '@/words/shelf';

const constructions: { id: Construction; name: string }[] = [
  {
    id: 'ringGlass',
    get name() {
      return tr('glassOnARing');
    },
  },
  {
    id: 'ringPlastic',
    get name() {
      return tr('plasticOnARing');
    },
  },
  {
    id: 'fullGlass',
    get name() {
      return tr('glassGluedAllOver');
    },
  },
  {
    id: 'clipped',
    get name() {
      return tr('clips');
    },
  },
  {
    id: 'lensInRing',
    get name() {
      return tr('lensCoverInARing');
    },
  },
  {
    id: 'frameLens',
    get name() {
      return tr('lensGlassInAFrame');
    },
  },
];

const zones: { id: Bond['zone']; name: string }[] = [
  {
    id: 'ring',
    get name() {
      return tr('ring');
    },
  },
  {
    id: 'fullArea',
    get name() {
      return tr('wholeArea');
    },
  },
  {
    id: 'clips',
    get name() {
      return tr('clipsOnly');
    },
  },
];

/** Outline and thickness. */
export function SizeFields({ here: { s, first, t, change, d } }: { here: EditorState }) {
  return (
    <Disclosure title={tr('outlineAndThickness')} open={!s.selected}>
      <ShapeFields
        name={tr('outline')}
        shape={turned(first.outline, t)}
        allowed={['roundRect', 'polygon']}
        sizeOnly
        onChange={(o) =>
          change((x) => {
            const stored = turned(o, t);
            if (x.leaves[0]!.id === t.leafId) return withKnown(withOutline(x, stored), 'size', 'measured');
            const turnedFirst = { ...x, leaves: [first, ...x.leaves.filter((l) => l !== first)] };
            const done = withOutline(turnedFirst, stored);
            return { ...done, leaves: x.leaves.map((l) => done.leaves.find((y) => y.id === l.id)!) };
          })
        }
      />
      <Two>
        <Mm
          label={tr('thicknessOfTheDevice')}
          value={first.thicknessMm}
          low={2}
          high={40}
          onCommit={(v) =>
            change((x) =>
              withKnown(
                { ...x, leaves: x.leaves.map((l) => (l.id === t.leafId ? { ...l, thicknessMm: v } : l)) },
                'thickness',
                'measured',
              ),
            )
          }
        />
      </Two>
      <Choice
        label={tr('kind')}
        value={d.kind}
        options={[
          { id: 'phone', name: tr('phone') },
          { id: 'tablet', name: tr('tablet') },
        ]}
        onChange={(kind) => change((x) => ({ ...x, kind }))}
      />
      <Choice
        label={tr('theInsideIsReachedThroughThe')}
        value={d.insideThrough}
        options={d.faces.filter((f) => !coverKindOf(f).lens).map((f) => ({ id: f.id, name: f.name }))}
        onChange={(insideThrough) => change((x) => ({ ...x, insideThrough }))}
      />
      <NumberField
        label={tr('outerScrewsFirst')}
        unit=""
        low={0}
        high={20}
        value={d.outside?.screws ?? 0}
        onCommit={(screws) => change((x) => ({ ...x, outside: { stylus: false, ...x.outside, screws } }))}
      />
      <Tick
        label={tr('hasAStylus')}
        on={d.outside?.stylus === true}
        onChange={(stylus) => change((x) => ({ ...x, outside: { screws: 0, ...x.outside, stylus } }))}
      />
    </Disclosure>
  );
}

/** What the cover is made of. */
export function CoverFields({ here: { face, putFace, change } }: { here: EditorState }) {
  return (
    <Disclosure title={tr('cover', { name: constructions.find((c) => c.id === face.construction)!.name })}>
      <Choice
        label={tr('construction')}
        value={face.construction}
        options={constructions}
        onChange={(c) => putFace(coverOfKind(c, face.cover.outline, face.cover.hMm, face.cover.insetToFrameMm))}
      />
      <Two>
        <Mm
          label={tr('thicknessOfTheCover')}
          value={face.cover.hMm}
          low={0.2}
          high={5}
          onCommit={(v) => change((x) => withCoverThickness(x, face.id, v))}
        />
        <Mm
          label={tr('gapToTheFrame')}
          value={face.cover.insetToFrameMm}
          low={0}
          high={3}
          onCommit={(v) => putFace({ cover: { ...face.cover, insetToFrameMm: v } })}
        />
      </Two>
      <Tick
        label={tr('printedColourLayer')}
        on={face.cover.printLayer}
        onChange={(printLayer) => putFace({ cover: { ...face.cover, printLayer } })}
      />
    </Disclosure>
  );
}

/** How it is glued. */
export function BondFields({ here: { bond, putBond } }: { here: EditorState }) {
  return (
    <Disclosure title={tr('bond')}>
      <Choice label={tr('glued')} value={bond.zone} options={zones} onChange={(zone) => putBond({ zone })} />
      <Two>
        <Mm
          label={tr('ringWidth')}
          value={bond.widthMm}
          low={0.5}
          high={30}
          onCommit={(v) => putBond({ widthMm: v })}
        />
        <Mm label={tr('ringInset')} value={bond.insetMm} low={0} high={20} onCommit={(v) => putBond({ insetMm: v })} />
        <Mm
          label={tr('thicknessOfTheGlue')}
          value={bond.gapMm}
          low={0.05}
          high={2}
          onCommit={(v) => putBond({ gapMm: v })}
        />
      </Two>
      <Choice
        label={tr('adhesive')}
        value={bond.adhesive}
        options={[...adhesives.values()].map((a) => ({ id: a.id, name: a.name }))}
        onChange={(adhesive) => putBond({ adhesive })}
      />
    </Disclosure>
  );
}
