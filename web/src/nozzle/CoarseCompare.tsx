import { Box, Typography } from '@mui/material';
import { useCoarseComparison, useCoarseKinds } from '../api/queries';
import type { Channel, Check } from '../api/types';
import { Block } from '../app/Page';
import { Failed, Loading } from '../app/states';
import { word } from '../words/words';
import { lineWords } from './coarse';

interface Props {
  visitId: string;
  before: Check;
  now: Check;
  channels: Channel[];
}

/** Two readings of one coarse kind, channel by channel. */
export function CoarseCompare({ visitId, before, now, channels }: Props) {
  const comparison = useCoarseComparison(visitId, before.id, now.id);
  const kinds = useCoarseKinds();
  const blind = kinds.data?.find((k) => k.kind === now.coarse?.kind)?.cannotTell ?? [];
  if (comparison.isPending) {
    return <Loading what="the readings" />;
  }
  if (comparison.isError) {
    return <Failed error={comparison.error} again={() => void comparison.refetch()} />;
  }
  return (
    <Block
      title={`${word('coarseKind', now.coarse?.kind ?? '')}, check ${before.number} and check ${now.number}`}
    >
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, display: 'grid', gap: 1 }}>
        {channels.map((channel) => (
          <Typography
            component="li"
            key={channel.code}
            sx={{ borderLeft: `10px solid ${channel.ink}`, pl: 1 }}
          >
            <b>{channel.colour}</b>: {word('coarseChange', comparison.data.changes[channel.code])} (
            {lineWords(before.coarse?.channels[channel.code])}, now{' '}
            {lineWords(now.coarse?.channels[channel.code])})
          </Typography>
        ))}
      </Box>
      {blind.length > 0 && (
        <Typography color="text.secondary" sx={{ mt: 1.5 }}>
          Such a reading cannot tell {blind.map((term) => word('coarseBlind', term)).join('; ')}.
        </Typography>
      )}
    </Block>
  );
}
