import { Box, Button, MenuItem, Stack, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import type { House, HouseBook } from '../api/types';
import { readNumber } from '../app/fields';
import { Block } from '../app/Page';
import { NumberField } from '../treatment/NumberField';
import { capital, terms, word } from '../words/words';
import { LIMIT_WORDS } from './changes';

interface Props {
  house: House;
  book: HouseBook;
  change: (book: HouseBook) => void;
  unread: string[];
  setUnread: (fields: string[]) => void;
  wrong: (field: string) => string | undefined;
  isLead: boolean;
}

const GRID = {
  display: 'grid',
  gap: 2,
  gridTemplateColumns: { xs: '1fr', sm: 'repeat(auto-fit, minmax(290px, 1fr))' },
};
const YES_NO = { true: 'allowed', false: 'not allowed' };
const WAYS: { limit: 'submerge' | 'bath' | 'rinse' | 'steam'; choices: Record<string, string> }[] = [
  { limit: 'submerge', choices: { NO: 'not allowed', FACE_ONLY: 'face only', BASE_ONLY: 'base only' } },
  {
    limit: 'bath',
    choices: { NO: 'not allowed', LEAD_ONLY: 'with a lead’s consent', HUNG: 'allowed, hung' },
  },
  { limit: 'rinse', choices: YES_NO },
  { limit: 'steam', choices: YES_NO },
];
const PRESSURES = ['pushKpa', 'suctionKpa'] as const;

/** Rates, and for each family its limits and how often its heads come in with each cause. */
export function FamilyRules({ house, book, change, unread, setUnread, wrong, isLead }: Props) {
  const [code, setCode] = useState(house.families[0]?.code ?? '');
  const [typed, setTyped] = useState<Record<string, string>>({});
  const family = house.families.find((f) => f.code === code);
  if (!family) {
    return null;
  }
  const limits = book.limits[code] ?? family.usualLimits;
  const priors: Record<string, number> = book.priors[code] ?? {};

  /** What is no number stays on the screen with its message and changes nothing. */
  function number(field: string, text: string, take: (value: number | undefined) => void) {
    setTyped({ ...typed, [field]: text });
    const value = readNumber(text);
    const others = unread.filter((f) => f !== field);
    if (value !== undefined && Number.isNaN(value)) {
      setUnread([...others, field]);
      return;
    }
    setUnread(others);
    take(value);
  }
  const setLimits = (part: object) =>
    change({ ...book, limits: { ...book.limits, [code]: { ...limits, ...part } } });

  return (
    <>
      <Block title="Rates">
        <Box sx={GRID}>
          <NumberField
            label="An hour of hands"
            unit="EUR"
            value={typed['book.ratePerHour'] ?? String(book.ratePerHour)}
            onChange={(text) =>
              number('book.ratePerHour', text, (value) => change({ ...book, ratePerHour: value ?? 0 }))
            }
            error={wrong('book.ratePerHour')}
          />
          <NumberField
            label="Harm to board or printer, share of a new printer"
            unit="0 to 1"
            value={typed['book.riskShare'] ?? String(book.riskShare)}
            onChange={(text) =>
              number('book.riskShare', text, (value) => change({ ...book, riskShare: value ?? 0 }))
            }
            error={wrong('book.riskShare')}
          />
        </Box>
      </Block>
      <Block title="Limits and priors of a family">
        <Stack spacing={2}>
          <TextField select label="Family" value={code} onChange={(event) => setCode(event.target.value)}>
            {house.families.map((f) => (
              <MenuItem key={f.code} value={f.code} sx={{ minHeight: 48 }}>
                {f.name}
              </MenuItem>
            ))}
          </TextField>
          <Typography color="text.secondary">
            Limits guard the head: a wider one can lift a plate or burst a bladder. Empty means not at all.
          </Typography>
          <Box sx={GRID}>
            {PRESSURES.map((limit) => {
              const field = `book.limits.${code}.${limit}`;
              return (
                <NumberField
                  key={limit}
                  label={capital(LIMIT_WORDS[limit])}
                  unit="kPa"
                  value={typed[field] ?? String(limits[limit] ?? '')}
                  onChange={(text) => number(field, text, (value) => setLimits({ [limit]: value ?? null }))}
                  error={wrong(field)}
                />
              );
            })}
            <NumberField
              label={capital(LIMIT_WORDS.heatC)}
              unit="°C"
              value={typed[`book.limits.${code}.heatC`] ?? String(limits.heatC)}
              onChange={(text) =>
                number(`book.limits.${code}.heatC`, text, (value) => setLimits({ heatC: value ?? 0 }))
              }
              error={wrong(`book.limits.${code}.heatC`)}
            />
            {WAYS.map(({ limit, choices }) => (
              <TextField
                key={limit}
                select
                disabled={!isLead}
                label={capital(LIMIT_WORDS[limit])}
                value={String(limits[limit])}
                onChange={(event) =>
                  setLimits({
                    [limit]: ['true', 'false'].includes(event.target.value)
                      ? event.target.value === 'true'
                      : event.target.value,
                  })
                }
              >
                {Object.entries(choices).map(([value, said]) => (
                  <MenuItem key={value} value={value} sx={{ minHeight: 48 }}>
                    {said}
                  </MenuItem>
                ))}
              </TextField>
            ))}
          </Box>
          <Typography>How often heads of this family come in with each cause, per cent.</Typography>
          <Box sx={GRID}>
            {terms('cause').map((cause) => {
              const field = `book.priors.${code}.${cause}`;
              const start = (house.startingPriors as Record<string, number>)[cause];
              return (
                <NumberField
                  key={cause}
                  label={capital(word('cause', cause))}
                  unit="%"
                  value={typed[field] ?? String(Number((100 * (priors[cause] ?? start)).toFixed(1)))}
                  onChange={(text) =>
                    number(field, text, (value) => {
                      const own = { ...priors };
                      if (value === undefined || Math.abs(value / 100 - start) < 1e-9) {
                        delete own[cause];
                      } else {
                        own[cause] = value / 100;
                      }
                      change({ ...book, priors: { ...book.priors, [code]: own } });
                    })
                  }
                  error={wrong(field)}
                />
              );
            })}
          </Box>
          {isLead && book.limits[code] && (
            <Button
              variant="outlined"
              sx={{ alignSelf: 'flex-start' }}
              onClick={() => {
                const rest = { ...book.limits };
                delete rest[code];
                setTyped({});
                change({ ...book, limits: rest });
              }}
            >
              Back to the limits of its construction
            </Button>
          )}
        </Stack>
      </Block>
    </>
  );
}
