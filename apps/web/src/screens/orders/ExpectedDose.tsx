/** What the planned pictures of an order are expected to cost in dose, by projection, against the department's levels. */
import { doseLevelFor, sumDoses, withDepartmentDefaults, significant } from '@taktik/core';
import { View } from 'react-native';
import { useDepartmentQuery, type ExposureRow, type Order } from '../../state/api';
import { NumberedBars } from '../../ui/charts/lazy';
import { useWidth } from '../../ui/useWidth';
import { Words } from '../../ui/Words';
import type { PlanView } from '../../workers/service';

const HEIGHT = 110;
const share = (spread: number): string => `±${Math.round(spread * 100)} %`;
const kap = (value: number): string => `${significant(value, 2)} Gy·cm²`;

export function ExpectedDose({ order, plan }: { order: Order; plan: Extract<PlanView, { steps: unknown }> }) {
  const [width, onLayout] = useWidth(340);
  const { data } = useDepartmentQuery();
  const { doseLevels } = withDepartmentDefaults(data);
  if (plan.steps.length === 0) return null;
  const doses = plan.steps.map(({ dose, exposures }) => ({
    kapGyCm2: dose.kapGyCm2 * exposures,
    spread: dose.spread,
  }));
  const sum = sumDoses(doses);
  const bars = plan.steps.map(({ name, item, exposures }, i) => {
    const level = doseLevelFor(doseLevels, order.projections[item].projectionId, order.patient.body.ageYears);
    const most = level && level.kapGyCm2 * exposures;
    const { kapGyCm2, spread } = doses[i];
    return {
      name,
      value: kapGyCm2,
      most,
      says: `${kap(kapGyCm2)} (${share(spread)})${most === null ? '' : kapGyCm2 > most ? `, over the department’s ${kap(most)}` : `, level ${kap(most)}`}`,
    };
  });
  return (
    <View style={{ gap: 6 }} onLayout={onLayout}>
      <Words kind="heading" role="heading" aria-level={2}>
        Expected dose
      </Words>
      <NumberedBars bars={bars} width={width} height={HEIGHT} title="Expected dose by projection" />
      <Words kind="small">{`${kap(sum.kapGyCm2)} in all (${share(sum.spread)}), without repeats`}</Words>
      <Words kind="small" tone="mauve">
        ● Dose-area product, estimated. It is not a risk to one person.
      </Words>
    </View>
  );
}

/** What was given so far, repeats included; and what went over its level. */
export function DeliveredDose({ exposures }: { exposures: readonly ExposureRow[] }) {
  if (exposures.length === 0) return null;
  const sum = sumDoses(exposures.map(({ kapGyCm2, doseSpread }) => ({ kapGyCm2, spread: doseSpread })));
  const over = exposures.filter(({ kapGyCm2, doseLevelGyCm2 }) => doseLevelGyCm2 !== null && kapGyCm2 > doseLevelGyCm2);
  return (
    <>
      <Words kind="small" tone="soft">
        {`${exposures.length} ${exposures.length === 1 ? 'exposure' : 'exposures'}, repeats included: ${kap(sum.kapGyCm2)} in all (${share(sum.spread)}, estimated)`}
      </Words>
      {over.map(({ id, name, kapGyCm2, doseLevelGyCm2 }) => (
        <Words key={id} kind="small" tone="brick">
          {`▲ ${name}: ${kap(kapGyCm2)}, over the department’s level of ${kap(doseLevelGyCm2!)}`}
        </Words>
      ))}
    </>
  );
}
