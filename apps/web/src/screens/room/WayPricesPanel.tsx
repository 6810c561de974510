/** Prices by which other ways are ranked, each with its reason; folded away, for they are rarely set. */
import { defaultWayPrices, WAY_PRICE_IDS, WAY_PRICES, wayPriceRange, type Department } from '@taktik/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Press } from '../../ui/Press';
import { Stepper } from '../../ui/Stepper';
import { Words } from '../../ui/Words';

type Props = { department: Department; change: (part: Partial<Department>) => void };

export function WayPricesPanel({ department: { wayPrices }, change }: Props) {
  const [open, setOpen] = useState(false);
  const own = WAY_PRICE_IDS.filter((id) => wayPrices[id] !== defaultWayPrices[id]).length;
  const says = open ? 'Fold the prices of other ways away' : 'Prices of other ways';
  return (
    <View style={{ gap: 14 }}>
      <Press label={says} onPress={() => setOpen(!open)} style={{ paddingHorizontal: 12 }}>
        <Words kind="small" tone="lamp">
          {own > 0 && !open ? `${says} · ${own} of your own` : says}
        </Words>
      </Press>
      {open && (
        <>
          <Words kind="small" tone="soft">
            Points (pt) by which other ways are ranked. What spares an injured patient has a floor.
          </Words>
          {WAY_PRICE_IDS.map((id) => (
            <View key={id} style={{ gap: 2 }}>
              <Stepper
                label={WAY_PRICES[id].title}
                unit="pt"
                value={wayPrices[id]}
                step={defaultWayPrices[id] < 2 ? 0.1 : 1}
                range={wayPriceRange(id)}
                onChange={(points) => change({ wayPrices: { ...wayPrices, [id]: points } })}
              />
              <Words kind="small" tone="soft">
                {WAY_PRICES[id].reason}
              </Words>
            </View>
          ))}
          <Press
            label="Prices of other ways as shipped"
            onPress={() => change({ wayPrices: defaultWayPrices })}
            disabled={own === 0}
            style={{ paddingHorizontal: 12 }}
          >
            <Words kind="small" tone="lamp">
              As shipped
            </Words>
          </Press>
        </>
      )}
    </View>
  );
}
