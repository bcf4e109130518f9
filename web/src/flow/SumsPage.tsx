import { Box, Button, MenuItem, Stack, TextField, Typography } from '@mui/material';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useDeferredValue, useEffect, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { answer, api, type Problem } from '../api/http';
import type { SumView } from '../api/types';
import { Block, Page } from '../app/Page';
import { Failed, Loading, NotFound } from '../app/states';
import { useDraft } from '../draft/useDraft';
import { capital, terms, word } from '../words/words';
import { SumLine } from './SumLine';
import { SumPicture } from './SumPicture';
import { entered, inUnits, usualSum, wrongIn, type TypedSum } from './typedSum';
import { useUnits } from './units';
import { UnitsChoice } from './UnitsChoice';

const SIZES = [1, 3, 5, 10, 20, 30, 60];

/** The sums of the bench, each by itself: what it asks, a picture of the answer, and every number unfolded. */
export default function SumsPage() {
  const { sum: asked = terms('benchSum')[0] } = useParams();
  const navigate = useNavigate();
  const sums = useQuery({
    queryKey: ['sums'],
    queryFn: () => answer(api.GET('/api/sums')),
    staleTime: Infinity,
  });
  if (sums.isPending) {
    return <Loading what="the sums" />;
  }
  if (sums.isError) {
    return <Failed error={sums.error} again={() => void sums.refetch()} />;
  }
  const sum = sums.data.find((one) => one.sum === asked);
  if (!sum) {
    return <NotFound />;
  }
  return (
    <Page title="Sums of the bench" back={{ to: '/', label: 'Bench' }}>
      <Box sx={{ display: 'grid', gap: 2, gridTemplateColumns: { xs: '1fr', md: '280px 1fr' } }}>
        <TextField
          select
          label="Sum"
          value={sum.sum}
          onChange={(event) => void navigate(`/sums/${event.target.value}`, { replace: true })}
          sx={{ display: { md: 'none' } }}
        >
          {sums.data.map((one) => (
            <MenuItem key={one.sum} value={one.sum} sx={{ minHeight: 48 }}>
              {word('benchSum', one.sum)}
            </MenuItem>
          ))}
        </TextField>
        <Stack component="nav" aria-label="Sums" sx={{ gap: 0.5, display: { xs: 'none', md: 'flex' } }}>
          {sums.data.map((one) => (
            <Button
              key={one.sum}
              component={Link}
              to={`/sums/${one.sum}`}
              replace
              variant={one.sum === sum.sum ? 'contained' : 'text'}
              aria-current={one.sum === sum.sum ? 'page' : undefined}
              sx={{ justifyContent: 'start', textAlign: 'left' }}
            >
              {word('benchSum', one.sum)}
            </Button>
          ))}
        </Stack>
        <Stack spacing={2}>
          <OneSum key={sum.sum} sum={sum} />
          <Block title="Units">
            <UnitsChoice />
          </Block>
        </Stack>
      </Box>
    </Page>
  );
}

function OneSum({ sum }: { sum: SumView }) {
  const { units } = useUnits();
  const { restored, keep, drop } = useDraft<TypedSum>(`sum-${sum.sum}`);
  const [own, setOwn] = useState<TypedSum>();
  const typed = inUnits(own ?? restored ?? usualSum(sum, units), sum, units);
  const values = useDeferredValue(entered(typed, sum));
  const result = useQuery({
    queryKey: ['sums', sum.sum, values],
    queryFn: () =>
      answer(
        api.POST('/api/sums/{sum}', { params: { path: { sum: sum.sum } }, body: { values: values ?? {} } }),
      ),
    enabled: values !== undefined,
    placeholderData: keepPreviousData,
    staleTime: Infinity,
    retry: false,
  });
  const refused = (result.error as Problem | null)?.errors ?? [];
  useEffect(() => {
    document.title = `${word('benchSum', sum.sum)} · Undo Knot`;
  }, [sum.sum]);

  const type = (term: string, text: string) => {
    const next = { units, values: { ...typed.values, [term]: text } };
    setOwn(next);
    keep(next);
  };
  const isRight = values !== undefined && refused.length === 0;
  return (
    <Block
      title={word('benchSum', sum.sum)}
      aside={
        <Button
          onClick={() => {
            drop();
            setOwn(usualSum(sum, units));
          }}
        >
          Usual values
        </Button>
      }
    >
      <Typography color="text.secondary" sx={{ mb: 1.5 }}>
        {word('benchSumHint', sum.sum)}
      </Typography>
      <Box
        sx={{
          display: 'grid',
          gap: 1.5,
          gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr', lg: '1fr 1fr 1fr' },
          mb: 2,
        }}
      >
        {sum.asked.map((asked) => (
          <Value
            key={asked.term}
            asked={asked}
            text={typed.values[asked.term] ?? ''}
            refused={refused.find((e) => e.field === asked.term)?.message}
            type={(text) => type(asked.term, text)}
          />
        ))}
      </Box>
      {result.data && isRight ? (
        <Stack spacing={2} aria-live="polite">
          <SumPicture kind={sum.sum} sums={result.data} />
          <Box>
            {result.data
              .filter((one) => !one.of || sum.sum === 'TRAY')
              .map((one, n) => (
                <SumLine key={n} sum={one} />
              ))}
          </Box>
        </Stack>
      ) : (
        <Typography role="status">
          {isRight ? 'Reckoning' : 'Put right what is marked, and the answer stands here.'}
        </Typography>
      )}
    </Block>
  );
}

function Value({
  asked,
  text,
  refused,
  type,
}: {
  asked: SumView['asked'][number];
  text: string;
  refused: string | undefined;
  type: (text: string) => void;
}) {
  const { units, seen } = useUnits();
  const wrong = wrongIn(text, asked, units) ?? refused;
  const isSyringe = asked.term === 'SYRINGE';
  return (
    <TextField
      label={capital(word('term', asked.term))}
      value={text}
      select={isSyringe}
      onChange={(event) => type(event.target.value)}
      error={wrong !== undefined}
      helperText={wrong}
      slotProps={{
        htmlInput: { inputMode: 'decimal' },
        input: {
          endAdornment: !isSyringe && (
            <Typography component="span" color="text.secondary" sx={{ pl: 1, pt: 2, whiteSpace: 'nowrap' }}>
              {asked.unit.startsWith('MONEY') ? '' : seen(asked.unit).unit}
            </Typography>
          ),
        },
      }}
    >
      {isSyringe &&
        SIZES.map((ml) => (
          <MenuItem key={ml} value={String(ml)}>
            {word('syringe', `ML_${ml}`)}
          </MenuItem>
        ))}
    </TextField>
  );
}
