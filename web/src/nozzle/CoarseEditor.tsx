import { Box, FormHelperText, Stack, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import { useCoarseKinds } from '../api/queries';
import type { Coarse, CoarseKind, Family } from '../api/types';
import { Block } from '../app/Page';
import { Failed, Loading } from '../app/states';
import { capital, terms, word } from '../words/words';

type Line = Coarse['channels'][string];

interface Props {
  family: Family;
  value: Coarse;
  onChange: (value: Coarse) => void;
  error?: string;
}

/** A reading of one word a channel, each entered by one tap; and what it cannot tell. */
export function CoarseEditor({ family, value, onChange, error }: Props) {
  const kinds = useCoarseKinds();
  if (kinds.isPending) {
    return <Loading what="the kinds of readings" />;
  }
  if (kinds.isError) {
    return <Failed error={kinds.error} again={() => void kinds.refetch()} />;
  }
  const kind = kinds.data.find((k) => k.kind === value.kind) ?? kinds.data[0];
  const set = (code: string, line: Line) =>
    onChange({ ...value, channels: { ...value.channels, [code]: line } });
  return (
    <Block title="One word a channel">
      <Stack spacing={2}>
        <ToggleButtonGroup
          exclusive
          value={value.kind}
          onChange={(_, next: CoarseKind | null) => next && onChange({ kind: next, channels: {} })}
          aria-label="What is read"
          sx={{ flexWrap: 'wrap' }}
        >
          {kinds.data.map((k) => (
            <ToggleButton key={k.kind} value={k.kind}>
              {capital(word('coarseKind', k.kind))}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        <Typography>
          It cannot tell {kind.cannotTell.map((blind) => word('coarseBlind', blind)).join('; ')}.
        </Typography>
        {family.channels.map((channel) => {
          const line = value.channels[channel.code];
          const asksWhere = kind.levels.find((l) => l.level === line?.level)?.asksWhere;
          return (
            <Box
              key={channel.code}
              sx={{
                display: 'grid',
                gap: 1,
                gridTemplateColumns: { xs: '1fr', md: '150px 1fr' },
                alignItems: 'center',
              }}
            >
              <Typography sx={{ fontWeight: 650, borderLeft: `10px solid ${channel.ink}`, pl: 1 }}>
                {channel.colour}
              </Typography>
              <Stack direction="row" sx={{ gap: 1.5, flexWrap: 'wrap' }}>
                <ToggleButtonGroup
                  exclusive
                  value={line?.level ?? null}
                  onChange={(_, level: Line['level'] | null) =>
                    set(channel.code, { level: level ?? undefined })
                  }
                  aria-label={`${channel.colour}: what is seen`}
                  sx={{ flexWrap: 'wrap' }}
                >
                  {kind.levels.map(({ level }) => (
                    <ToggleButton key={level} value={level}>
                      {word('coarseLevel', level)}
                    </ToggleButton>
                  ))}
                </ToggleButtonGroup>
                {asksWhere && (
                  <ToggleButtonGroup
                    exclusive
                    value={line?.where ?? null}
                    onChange={(_, where: Line['where'] | null) =>
                      set(channel.code, { ...line, where: where ?? undefined })
                    }
                    aria-label={`${channel.colour}: where`}
                    sx={{ flexWrap: 'wrap' }}
                  >
                    {terms('coarseWhere').map((where) => (
                      <ToggleButton key={where} value={where}>
                        {word('coarseWhere', where)}
                      </ToggleButton>
                    ))}
                  </ToggleButtonGroup>
                )}
              </Stack>
            </Box>
          );
        })}
        {error && <FormHelperText error>{error}</FormHelperText>}
      </Stack>
    </Block>
  );
}
