import { Typography } from '@mui/material';
import { useNavigate } from 'react-router';
import { useSession } from '../account/session';
import { useHouse, useShop } from '../api/queries';
import { Block, Page } from '../app/Page';
import { Failed, Loading } from '../app/states';
import { ShopForm } from './ShopForm';

/** The first thing a new shop's lead is asked: who the shop is, what it charges, when somebody is there. */
export default function SetUpPage() {
  const { isLead } = useSession();
  const navigate = useNavigate();
  const shop = useShop();
  const house = useHouse();
  const error = shop.error ?? house.error;
  if (error) {
    return (
      <Failed
        error={error}
        again={() => {
          void shop.refetch();
          void house.refetch();
        }}
      />
    );
  }
  if (!shop.data || !house.data) {
    return <Loading what="the shop" />;
  }
  return (
    <Page title="Set up the shop">
      <Typography sx={{ mb: 2 }}>
        {isLead
          ? 'All of it can be changed later, under House rules. Who works here comes next, under Accounts.'
          : 'A lead sets up the shop.'}
      </Typography>
      {isLead && (
        <Block title="The shop">
          <ShopForm
            shop={
              shop.data.version === undefined || shop.data.version === null
                ? { ...shop.data, zone: Intl.DateTimeFormat().resolvedOptions().timeZone }
                : shop.data
            }
            house={house.data}
            asksMoney
            does="Set up the shop"
            done={() => void navigate('/accounts')}
          />
        </Block>
      )}
    </Page>
  );
}
