import { Typography } from '@mui/material';
import { useShop } from '../api/queries';
import type { House } from '../api/types';
import { Block } from '../app/Page';
import { word } from '../words/words';
import { ShopForm } from './ShopForm';

/** What the shop says of itself, read by all and changed by a lead. */
export function ShopBlock({ house, isLead }: { house: House; isLead: boolean }) {
  const shop = useShop().data;
  if (!shop) {
    return null;
  }
  return (
    <Block title="The shop">
      {isLead ? (
        <ShopForm key={shop.version ?? 'new'} shop={shop} house={house} does="Keep it" />
      ) : (
        <Typography>
          {shop.name}
          {shop.address && `, ${shop.address}`}. It reckons in {shop.currency}; times on paper are those of{' '}
          {shop.zone}.
          {shop.hours &&
            ` Open ${shop.hours.opens} to ${shop.hours.closes}: ${shop.hours.days.map((day) => word('weekday', day)).join(', ')}.`}
        </Typography>
      )}
    </Block>
  );
}
