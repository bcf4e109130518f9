import { Box } from '@mui/material';
import type { Visit } from '../api/types';
import { Choice } from '../app/fields';

interface Props {
  visit: Visit;
  value: string[];
  onChange: (channels: string[]) => void;
  error?: string;
}

/** The channels treated; those that are out are chosen from the start, what works is left alone. */
export function ChannelChoice({ visit, value, onChange, error }: Props) {
  return (
    <Choice
      label="Channels"
      isMany
      value={value}
      onChange={(next) =>
        onChange(visit.family.channels.map((c) => c.code).filter((code) => (next as string[]).includes(code)))
      }
      error={error}
      options={visit.family.channels.map((channel) => ({
        value: channel.code,
        label: (
          <>
            <Box
              component="span"
              aria-hidden
              sx={{ width: 12, height: 24, bgcolor: channel.ink, mr: 1, border: '1px solid #fff8' }}
            />
            {channel.colour}
          </>
        ),
      }))}
    />
  );
}
