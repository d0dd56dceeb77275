import { View } from 'react-native';

import { exactUpTo } from '@/core/strip/removal';
import { Call } from '@/ui/Call';
import { Choice, Tick } from '@/ui/Choice';
import { MoveArrow } from '@/ui/plan/layers';
import { Stroke } from '@/ui/plan/pieceLayers';
import { Txt } from '@/ui/Txt';
import { StripPicture } from './StripPicture';
import type { PlanSize } from '@/bench-kit/StageShell';
import type { OrderScreenState } from './useOrderScreen';

/** Steps on the device. */
export function OrderPicture({
  here: { job, work, relevant, items, name, id, onDrag, line },
  size,
}: {
  here: OrderScreenState;
  size: PlanSize;
}) {
  return (
    <StripPicture
      job={job}
      work={work}
      size={size}
      label={`${relevant} steps in order`}
      lines={items.map((i) => `${i.name}: after ${(i.needs[0] ?? []).map(name).join(', ') || 'nothing'}`)}
      next={id}
      nextHole={null}
      onDrag={onDrag}
    >
      {line ? (
        <>
          <Stroke pts={[line.from, line.to]} />
          <MoveArrow from={line.from} dx={line.to[0] - line.from[0]} dy={line.to[1] - line.from[1]} />
        </>
      ) : null}
    </StripPicture>
  );
}

/** Steps in order, and what was found at the bench. */
export function OrderSteps({
  here: { work, relevant, problem, id, items, setId, name, needs, put },
}: {
  here: OrderScreenState;
}) {
  return (
    <View className="mt-2">
      <Call
        sentence={
          work.removal === null
            ? 'It goes round in a circle.'
            : `${relevant} steps, ${work.removal.cost.toFixed(0)} min, ${work.removal.exact ? 'the fewest there are' : `not proven; none under ${work.removal.bound.toFixed(0)} min`}.`
        }
        reason="Draw from a thing to what lies over it: it then comes off after that. Or tick it below."
        tone={work.removal === null ? 'caution' : 'ink'}
      />
      {problem ? (
        <View role="alert" className="mt-2">
          <Txt tone="caution">{problem}</Txt>
        </View>
      ) : null}
      <View className="mt-3">
        <Choice label="This" value={id} options={items.map((i) => ({ id: i.id, name: i.name }))} onChange={setId} />
        {id ? (
          <View role="group" aria-label={`${name(id)} comes off after`}>
            <Txt strong>{name(id)} comes off after</Txt>
            {items
              .filter((i) => i.id !== id)
              .map((i) => (
                <Tick key={i.id} label={i.name} on={needs.has(i.id)} onChange={(on) => put(id, i.id, on)} />
              ))}
          </View>
        ) : null}
      </View>
      <Txt size="s" tone="ink2" className="mt-2">
        With alternatives the order is exact up to {exactUpTo} things; without, at any number. What is changed here
        belongs to this job; the model of the device stays as it is.
      </Txt>
    </View>
  );
}
