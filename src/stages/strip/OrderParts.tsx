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
import { t } from '@/words/strip';
import { said } from '@/words/codes';
import { told } from '@/words/told';
import { listed, digits } from '@/words/units';

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
      label={t('stepsInOrder', { relevant })}
      lines={items.map((i) =>
        t('after', { name: i.name, list: listed((i.needs[0] ?? []).map(name)) || said('nothing') }),
      )}
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
            ? t('itGoesRoundInACircle')
            : work.removal.exact
              ? t('stepsMinTheFewestThereAre', { relevant, figure: digits(work.removal.cost) })
              : t('stepsMinNoneCanBeUnder', {
                  relevant,
                  figure: digits(work.removal.cost),
                  figure2: digits(work.removal.bound),
                })
        }
        reason={t('drawFromAThingToWhat')}
        tone={work.removal === null ? 'caution' : 'ink'}
      />
      {problem ? (
        <View role="alert" className="mt-2">
          <Txt tone="caution">{problem}</Txt>
        </View>
      ) : null}
      <View className="mt-3">
        <Choice
          label={t('this')}
          value={id}
          options={items.map((i) => ({ id: i.id, name: told(i.name) }))}
          onChange={setId}
        />
        {id ? (
          <View role="group" aria-label={t('comesOffAfter', { id: name(id) })}>
            <Txt strong>{t('comesOffAfter', { id: name(id) })}</Txt>
            {items
              .filter((i) => i.id !== id)
              .map((i) => (
                <Tick key={i.id} label={told(i.name)} on={needs.has(i.id)} onChange={(on) => put(id, i.id, on)} />
              ))}
          </View>
        ) : null}
      </View>
      <Txt size="s" tone="ink2" className="mt-2">
        {t('withAlternativesTheOrderIsExact', { exactUpTo })}
      </Txt>
    </View>
  );
}
