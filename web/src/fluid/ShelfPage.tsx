import { Box, Button, Stack, Typography } from '@mui/material';
import { useState } from 'react';
import { useSession } from '../account/session';
import { useLots } from '../api/queries';
import type { Lot } from '../api/types';
import { Page } from '../app/Page';
import { Empty, Failed, Loading } from '../app/states';
import { dateInDays, day } from '../bench/time';
import { word } from '../words/words';
import { LotForm } from './LotForm';
import { MixForm } from './MixForm';
import { WasteBlock } from './WasteBlock';

/** The shelf: every bottle with its level. A technician opens and mixes; a lead corrects what stands there. */
export default function ShelfPage() {
  const lots = useLots();
  const { isLead, mayWrite } = useSession();
  const [isMixing, setMixing] = useState(false);
  const [edited, setEdited] = useState<Lot | 'new'>();
  if (lots.isPending) {
    return <Loading what="the shelf" />;
  }
  if (!lots.data) {
    return <Failed error={lots.error} again={() => void lots.refetch()} />;
  }
  return (
    <Page
      title="The shelf"
      aside={
        mayWrite && (
          <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap' }}>
            <Button variant="contained" onClick={() => setEdited('new')}>
              Put a bottle on the shelf
            </Button>
            <Button variant="outlined" onClick={() => setMixing(true)}>
              Mix
            </Button>
          </Stack>
        )
      }
    >
      {lots.data.length === 0 && <Empty>No bottle stands here. Put the first one on the shelf.</Empty>}
      <Box
        component="ul"
        sx={{
          listStyle: 'none',
          p: 0,
          m: 0,
          display: 'grid',
          gridTemplateColumns: 'repeat(auto-fill, minmax(300px, 1fr))',
          gap: 1.5,
        }}
      >
        {lots.data.map((lot) => (
          <Bottle key={lot.id} lot={lot} edit={isLead ? () => setEdited(lot) : undefined} />
        ))}
      </Box>
      <WasteBlock mayWrite={mayWrite} />
      {isMixing && <MixForm lots={lots.data} close={() => setMixing(false)} />}
      {edited && <LotForm lot={edited === 'new' ? undefined : edited} close={() => setEdited(undefined)} />}
    </Page>
  );
}

function Bottle({ lot, edit }: { lot: Lot; edit?: () => void }) {
  const full = Math.min(1, lot.remainingMl / lot.bottleMl);
  const isExpired = lot.expiresOn && lot.expiresOn < dateInDays(0);
  return (
    <Stack
      component="li"
      direction="row"
      spacing={2}
      sx={{ bgcolor: 'background.paper', borderRadius: 1, p: 1.5 }}
    >
      <svg aria-hidden width="44" height="96" viewBox="0 0 44 96" fill="none">
        <path
          d="M14 3H30V20C30 27 41 28 41 40V88C41 91 39 93 36 93H8C5 93 3 91 3 88V40C3 28 14 27 14 20Z"
          stroke="currentColor"
          strokeWidth="2.5"
        />
        <Box
          component="rect"
          x={5}
          y={91 - 58 * full}
          width={34}
          height={58 * full}
          sx={{ fill: (t) => t.vars.palette.primary.main }}
        />
      </svg>
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <Typography variant="h3">{lot.name}</Typography>
        <Typography>
          {lot.lotCode}, {lot.maker}
        </Typography>
        <Typography>
          <b>{lot.remainingMl} mL</b> of {lot.bottleMl} mL
        </Typography>
        <Typography color="text.secondary">
          {word('fluidKind', lot.kind)}
          {lot.foodSafe && ', food-safe'}
          {lot.madeOn && `, mixed here ${day(lot.madeOn)}`}
        </Typography>
        <Typography color={isExpired ? 'error' : 'text.secondary'} sx={{ fontWeight: isExpired ? 700 : 400 }}>
          {lot.expiresOn
            ? `${isExpired ? 'expired' : 'good until'} ${day(lot.expiresOn)}`
            : 'no expiry given'}
        </Typography>
        {lot.hazards && <Typography>{lot.hazards}</Typography>}
        {edit && (
          <Button onClick={edit} aria-label={`Correct ${lot.lotCode}`}>
            Correct
          </Button>
        )}
      </Box>
    </Stack>
  );
}
